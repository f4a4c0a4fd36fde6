import type { ProblemCode } from '@jackdaw/contracts/problems'

export type FieldError = { pointer: string; detail: string }
/** A sentence for a person: as it stands, or with places `{{name}}` and what is to be put into them, so that it can be said in any language. */
export type Said = string | { words: string; into: Record<string, string | number> }

const filled = (said: Said): string =>
  typeof said === 'string' ? said : said.words.replace(/\{\{(\w+)\}\}/g, (place, name: string) => String(said.into[name] ?? place))

/** An expected refusal on its way to the one handler that answers it. */
export class Refused extends Error {
  constructor(
    readonly code: ProblemCode,
    readonly said?: Said,
    readonly errors: readonly FieldError[] = [],
    readonly retryAfterS?: number,
  ) {
    super(said === undefined ? code : filled(said))
    this.name = 'Refused'
  }
}

/** A sentence with what is to be put into its places. */
export const said = (words: string, into: Record<string, string | number>): Said => ({ words, into })

/** Ends the request with a problem from the table.
 * @param detail for the person: what was wrong, what was kept, what to do */
export function fail(code: ProblemCode, detail?: Said, errors: readonly FieldError[] = [], retryAfterS?: number): never {
  throw new Refused(code, detail, errors, retryAfterS)
}

/** As {@link fail}, for a single field of the request. */
export const failField = (pointer: string, detail: string): never => fail('invalid', detail, [{ pointer, detail }])
