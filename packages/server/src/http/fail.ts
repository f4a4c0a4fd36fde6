import type { ProblemCode } from '@jackdaw/contracts/problems'

export type FieldError = { pointer: string; detail: string }

/** An expected refusal on its way to the one handler that answers it. */
export class Refused extends Error {
  constructor(
    readonly code: ProblemCode,
    detail?: string,
    readonly errors: readonly FieldError[] = [],
    readonly retryAfterS?: number,
  ) {
    super(detail ?? code)
    this.name = 'Refused'
    this.hasDetail = detail !== undefined
  }
  readonly hasDetail: boolean
}

/** Ends the request with a problem from the table.
 * @param detail a sentence for the person: what was wrong, what to do */
export function fail(code: ProblemCode, detail?: string, errors: readonly FieldError[] = [], retryAfterS?: number): never {
  throw new Refused(code, detail, errors, retryAfterS)
}

/** As {@link fail}, for a single field of the request. */
export const failField = (pointer: string, detail: string): never => fail('invalid', detail, [{ pointer, detail }])
