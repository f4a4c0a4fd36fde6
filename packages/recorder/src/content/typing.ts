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

/** What was typed until a key went down that may send it. */
export type Sent = { isEmptied: () => boolean; tell: () => void }

/** One step for each field: begun by the first letter, ended by leaving it. A field that the page makes anew meanwhile is the same one. */
export class Typing {
  private open: Open | null = null
  private gone: ReturnType<typeof setTimeout> | undefined
  private readonly values = new WeakMap<Field, string>()

  constructor(
    private readonly begin: (field: Field) => Begun,
    private readonly entered: (entry: Entry) => void,
  ) {}

  /** Before the first letter arrives. */
  before(field: Field): void {
    this.take(field, isSecret(field) ? '' : valueOf(field))
  }
  /** After something arrived, also what was not announced, as in fields for a date. */
  after(field: Field): void {
    this.take(field, this.values.get(field) ?? '\u0000')
    if (!this.open) return
    this.open.entered = true
    this.open.latest = isSecret(field) ? '' : valueOf(field)
  }
  /** Remembers what stands in a field, to know later whether it changed. */
  focused(field: Field): void {
    if (!isSecret(field)) this.values.set(field, valueOf(field))
  }
  /** A field was left. One that was taken away may come back at once. */
  left(): void {
    if (!this.open || this.open.field.isConnected) return this.flush()
    clearTimeout(this.gone)
    this.gone = setTimeout(() => this.flush(), WAITS_FOR_ANOTHER_MS)
  }
  flush(): void {
    this.end()
  }
  flushUnless(field: Element | null): void {
    if (this.open && this.open.field !== field && !this.open.field.contains(field)) this.flush()
  }
  /** What stands in a field now, to be told as entered should the page empty it. */
  sent(field: Field): Sent | null {
    if (this.open?.field !== field) return null
    const { before } = this.open
    const value = isSecret(field) ? '' : valueOf(field)
    const isEmptied = () => this.open?.field === field && value.trim() !== '' && value !== before && valueOf(field).trim() === ''
    return { isEmptied, tell: () => this.end(value) }
  }

  private take(field: Field, before: string): void {
    if (this.open?.field === field) return
    if (this.open && takesPlaceOf(field, this.open.field)) this.open.field = field
    else {
      this.flush()
      this.open = { ...this.begin(field), field, before, latest: before, entered: false }
    }
    clearTimeout(this.gone)
  }
  /** @param known what was entered, where it does not stand there any more */
  private end(known?: string): void {
    clearTimeout(this.gone)
    if (!this.open) return
    const { field, before, latest, element, asked, at, entered } = this.open
    this.open = null
    const secret = isSecret(field)
    const value = secret ? '' : (known ?? (field.isConnected ? valueOf(field) : latest))
    this.values.set(field, value)
    if (secret ? !entered : value === before) return
    const kind = field instanceof HTMLInputElement && SET_TYPES.has(field.type) ? 'set' : 'type'
    this.entered({ kind, field, element, value: secret ? null : value, asked, at })
  }
}
