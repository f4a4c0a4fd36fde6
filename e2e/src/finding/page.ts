/** A page as it was when a guide was recorded, and as it is when somebody follows it. */
export type State = 'before' | 'after'
/** A page on which elements are found again. What is the same in both states is labelled the same (`data-same`), which nothing but the count of what was found looks at; what has a label in the
 * first state only is not there any more, and nothing is to be taken for it. `changed`: what has changed between the two. */
export type FoundPage = { name: string; changed: string; html: (state: State) => string }

/** A whole document. */
export const whole = (title: string, body: string, { lang = 'en', style = '' }: { lang?: string; style?: string } = {}): string =>
  `<!doctype html><html lang="${lang}"><head><meta charset="utf-8"><title>${title}</title><style>body{font:15px sans-serif;margin:16px}table{border-collapse:collapse}td,th{padding:4px 10px;text-align:left}${style}</style></head><body>${body}</body></html>`
/** The label by which the same element is known in both states. */
export const same = (label: string): string => `data-same="${label}"`
/** Several of a kind, one after another. */
export const each = <T>(list: readonly T[], html: (item: T, n: number) => string): string => list.map(html).join('')
