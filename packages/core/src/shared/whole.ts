import * as z from 'zod/mini'

/** Largest whole number that a column of the database holds. */
export const MOST_WHOLE = 2_147_483_647
/** A whole number from 0 on that can be stored: a revision, an edition, a count. */
export const Whole = z.int().check(z.minimum(0), z.maximum(MOST_WHOLE))
/** Epoch milliseconds between the years 1970 and 2200. */
export const Instant = z.int().check(z.minimum(1), z.maximum(7_258_118_400_000))
