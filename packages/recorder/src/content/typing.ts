import type { ActionKind, ElementSeen } from '@jackdaw/core/recording'
import type { Asked } from './pictures'
import { isSecret } from './secrets'

export type Field = HTMLInputElement | HTMLTextAreaElement | HTMLElement
const SET_TYPES = new Set(['date', 'time', 'datetime-local', 'month', 'week', 'color', 'range'])
const NOT_TYPED = new Set(['checkbox', 'radio', 'button', 'submit', 'reset', 'image', 'file', 'hidden'])

/** Whether text goes into an element. */
export const isField = (element: Element | null): element is Field =>
  (element instanceof HTMLInputElement && !NOT_TYPED.has(element.type)) ||
  element instanceof HTMLTextAreaElement ||
  (element instanceof HTMLElement && element.isContentEditable)

const valueOf = (field: Field): string =>
  field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement ? field.value : field.innerText

/** The outermost editable element: what is typed into is not a paragraph in it. */
export const fieldOf = (element: Element | null): Field | null => {
  if (!(element instanceof HTMLElement)) return null
  let field: HTMLElement = element
  while (field.isContentEditable && field.parentElement?.isContentEditable) field = field.parentElement
  return isField(field) ? field : null
}

/** What was entered in a field when it was left, and when that began. A secret has no value. */
export type Entry = {
  kind: Extract<ActionKind, 'type' | 'set'>
  field: Field
  element: ElementSeen
  value: string | null
  asked: Asked
  at: number
}
type Begun = { element: ElementSeen; asked: Asked; at: number }
type Open = Begun & {
  field: Field
  before: string
  /** What stood there after the last letter. */
  latest: string
  entered: boolean
}

const attributesOf = (field: Field): string =>
  ['name', 'aria-label', 'placeholder', 'data-testid', 'autocomplete'].map((name) => field.getAttribute(name) ?? '').join('\n')
/** Whether a field is one that the page has made anew in the place of another that it took away. */
const takesPlaceOf = (now: Field, gone: Field): boolean =>
  !gone.isConnected &&
  now.localName === gone.localName &&
  now.getAttribute('type') === gone.getAttribute('type') &&
  ((now.id !== '' && now.id === gone.id) || attributesOf(now) === attributesOf(gone))

const WAITS_FOR_ANOTHER_MS = 400

/** One step for each field: begun by the first letter, ended by leaving it. A field that the page makes anew meanwhile is the same one. */
export function watchTyping(begin: (field: Field) => Begun, entered: (entry: Entry) => void) {
  let open: Open | null = null
  let gone: ReturnType<typeof setTimeout> | undefined
  const values = new WeakMap<Field, string>()
  const flush = () => {
    clearTimeout(gone)
    if (!open) return
    const { field, before, latest, element, asked, at, entered: anything } = open
    open = null
    const secret = isSecret(field)
    const value = secret ? '' : field.isConnected ? valueOf(field) : latest
    values.set(field, value)
    if (secret ? !anything : value === before) return
    entered({
      kind: field instanceof HTMLInputElement && SET_TYPES.has(field.type) ? 'set' : 'type',
      field,
      element,
      value: secret ? null : value,
      asked,
      at,
    })
  }
  const take = (field: Field, before: string) => {
    if (open?.field === field) return
    if (open && takesPlaceOf(field, open.field)) open.field = field
    else {
      flush()
      open = { ...begin(field), field, before, latest: before, entered: false }
    }
    clearTimeout(gone)
  }
  return {
    /** Before the first letter arrives. */
    before(field: Field) {
      take(field, isSecret(field) ? '' : valueOf(field))
    },
    /** After something arrived, also what was not announced, as in fields for a date. */
    after(field: Field) {
      take(field, values.get(field) ?? '\u0000')
      if (!open) return
      open.entered = true
      open.latest = isSecret(field) ? '' : valueOf(field)
    },
    /** Remembers what stands in a field, to know later whether it changed. */
    focused(field: Field) {
      if (!isSecret(field)) values.set(field, valueOf(field))
    },
    /** A field was left. One that was taken away may come back at once. */
    left() {
      if (!open || open.field.isConnected) return flush()
      clearTimeout(gone)
      gone = setTimeout(flush, WAITS_FOR_ANOTHER_MS)
    },
    flush,
    flushUnless: (field: Element | null) => {
      if (open && open.field !== field && !open.field.contains(field)) flush()
    },
  }
}
