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

/** What was entered in a field when it was left. A secret has no value. */
export type Entry = { kind: Extract<ActionKind, 'type' | 'set'>; element: ElementSeen; value: string | null; asked: Asked }

/** One step for each field: begun by the first letter, ended by leaving it. */
export function watchTyping(begin: (field: Field) => { element: ElementSeen; asked: Asked }, entered: (entry: Entry) => void) {
  let open: { field: Field; before: string; element: ElementSeen; asked: Asked } | null = null
  const values = new WeakMap<Field, string>()
  const flush = () => {
    if (!open) return
    const { field, before, element, asked } = open
    open = null
    const secret = isSecret(field)
    const value = secret ? '' : valueOf(field)
    values.set(field, value)
    if (!secret && value === before) return
    entered({
      kind: field instanceof HTMLInputElement && SET_TYPES.has(field.type) ? 'set' : 'type',
      element,
      value: secret ? null : value,
      asked,
    })
  }
  return {
    /** Before the first letter arrives. */
    before(field: Field) {
      if (open?.field === field) return
      flush()
      open = { field, before: isSecret(field) ? '' : valueOf(field), ...begin(field) }
    },
    /** After something arrived that was not announced, as in fields for a date. */
    after(field: Field, was: string | undefined) {
      if (open?.field === field) return
      flush()
      open = { field, before: was ?? '\u0000', ...begin(field) }
    },
    /** Remembers what stands in a field, to know later whether it changed. */
    focused(field: Field) {
      if (!isSecret(field)) values.set(field, valueOf(field))
    },
    valueAtFocus: (field: Field) => values.get(field),
    flush,
    flushUnless: (field: Element | null) => {
      if (open && open.field !== field && !open.field.contains(field)) flush()
    },
  }
}
