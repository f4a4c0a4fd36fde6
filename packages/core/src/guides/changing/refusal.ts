import type { Limit } from '../limits'
import type { Change } from './changes'

/** Why a change cannot be carried out on a document. */
export type Refusal =
  | {
      ok: false
      reason:
        | 'item-missing'
        | 'item-exists'
        | 'picture-missing'
        | 'picture-exists'
        | 'annotation-missing'
        | 'no-sheet'
        | 'not-a-step'
        | 'not-a-section'
        | 'not-a-quiz'
    }
  /** There would be more of something than a guide may hold. */
  | { ok: false; reason: 'over-limit'; limit: Limit }
/** A change that was carried out, by the change that undoes it. */
export type Done = { ok: true; inverse: Change }

/** Refuses a change. */
export const refuse = (reason: Exclude<Refusal['reason'], 'over-limit'>): Refusal => ({ ok: false, reason })
/** Refuses a change by which there would be too much. */
export const overLimit = (limit: Limit): Refusal => ({ ok: false, reason: 'over-limit', limit })
