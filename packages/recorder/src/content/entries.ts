import { scrubbed } from './describe'
import { innermost } from './hit'
import type { Hub } from './hub'
import type { Asked } from './pictures'
import type { Pressed } from './pointer'
import { isSeen, standInOf } from './standIn'
import { fieldOf, Typing, type Field } from './typing'

const BELONGS_WITHIN_MS = 60_000
/** Fields that change without saying so before. */
const UNANNOUNCED = new Set(['date', 'time', 'datetime-local', 'month', 'week', 'color', 'range'])
const announcesNothing = (field: Field): boolean => field instanceof HTMLInputElement && UNANNOUNCED.has(field.type)
/** Elements that a key changes at once: their picture has to be asked for when the key goes down. */
export const changesByKey = (element: Element | null): element is HTMLSelectElement | HTMLInputElement =>
  element instanceof HTMLSelectElement ||
  (element instanceof HTMLInputElement && ['checkbox', 'radio', 'file', 'number', ...UNANNOUNCED].includes(element.type))

/** Of a file field that nobody sees: the button that was pressed to open it. */
const openerOf = (field: HTMLInputElement, press: Pressed | null): Pressed | null =>
  press && press.target !== field && Date.now() - press.at < BELONGS_WITHIN_MS && standInOf(field) === field && !isSeen(field)
    ? press
    : null

/** What is entered: text, choices, ticks, files.
 * @param pressed what the pointer went down on last
 * @param keyed   the picture that was asked for when a key went down on an element */
export function watchEntries(hub: Hub, pressed: () => Pressed | null, keyed: (element: Element) => Asked | null) {
  const pressOn = (element: Element): Pressed | null => {
    const press = pressed()
    return press?.target === element && Date.now() - press.at < BELONGS_WITHIN_MS ? press : null
  }
  const typing = new Typing(
    (field) => {
      const press = pressOn(field)
      // What changes without saying so has changed when it is heard of: its picture is the one that was asked for before.
      const before = keyed(field) ?? (announcesNothing(field) ? press?.asked : undefined)
      return { element: press?.element ?? hub.seen(field), asked: before ?? hub.press(field, false), at: hub.clock() }
    },
    ({ kind, field, asked, element, value, at }) => hub.emit(kind, asked, { element, ...hub.told(value, field) }, at),
  )
  hub.listen('focusin', (event) => {
    const field = fieldOf(innermost(event))
    if (field) typing.focused(field)
  })
  hub.listen('beforeinput', (event) => {
    const field = fieldOf(innermost(event))
    if (field && !announcesNothing(field)) typing.before(field)
  })
  hub.listen('input', (event) => {
    const field = fieldOf(innermost(event))
    if (field) typing.after(field)
  })
  hub.listen('focusout', () => typing.left())
  hub.listen('change', (event) => {
    const element = innermost(event)
    if (!(element instanceof HTMLSelectElement || element instanceof HTMLInputElement)) return
    // A change right after a press or a key belongs to it, and so does its picture.
    const asked = () => keyed(element) ?? pressOn(element)?.asked ?? hub.press(element, false)
    if (element instanceof HTMLSelectElement) {
      const chosen = [...element.selectedOptions].map((option) => option.label.trim()).join(', ')
      hub.emit('choose', asked(), { element: hub.seen(element), ...hub.told(chosen) })
    } else if (element.type === 'checkbox' || element.type === 'radio')
      hub.emit('tick', asked(), { element: hub.seen(element), ticked: element.checked })
    else if (element.type === 'file') {
      const names = [...(element.files ?? [])].map((file) => file.name).join(', ')
      const opener = openerOf(element, pressed())
      const seen = opener?.element ?? hub.seen(element)
      hub.emit('upload', opener?.asked ?? asked(), { element: seen, value: scrubbed(names, hub.eyes).slice(0, 300) })
    }
  })
  return typing
}
