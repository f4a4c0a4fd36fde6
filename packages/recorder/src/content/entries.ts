import { scrubbed } from './describe'
import { innermost } from './hit'
import type { Hub } from './hub'
import type { Asked } from './pictures'
import type { Pressed } from './pointer'
import { fieldOf, watchTyping, type Field } from './typing'

const BELONGS_WITHIN_MS = 60_000
const announcesNothing = (field: Field): boolean => field instanceof HTMLInputElement && ['date', 'time'].includes(field.type)
/** Elements that a key changes at once: their picture has to be asked for when the key goes down. */
export const changesByKey = (element: Element | null): element is HTMLSelectElement | HTMLInputElement =>
  element instanceof HTMLSelectElement ||
  (element instanceof HTMLInputElement && ['checkbox', 'radio', 'range', 'file'].includes(element.type))

/** What is entered: text, choices, ticks, files.
 * @param pressed what the pointer went down on last
 * @param keyed   the picture that was asked for when a key went down on an element */
export function watchEntries(hub: Hub, pressed: () => Pressed | null, keyed: (element: Element) => Asked | null) {
  const pressOn = (element: Element): Pressed | null => {
    const press = pressed()
    return press?.target === element && Date.now() - press.at < BELONGS_WITHIN_MS ? press : null
  }
  const typing = watchTyping(
    (field) => ({ element: pressOn(field)?.element ?? hub.seen(field), asked: hub.press(field, false) }),
    ({ kind, asked, element, value }) => hub.emit(kind, asked, { element, ...hub.told(value) }),
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
    if (field) typing.after(field, typing.valueAtFocus(field))
  })
  hub.listen('focusout', () => typing.flush())
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
      hub.emit('upload', asked(), { element: hub.seen(element), value: scrubbed(names, hub.eyes).slice(0, 300) })
    }
  })
  return typing
}
