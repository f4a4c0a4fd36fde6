import * as z from 'zod/mini'

/** Something that is so or is not: `yes`, or absent. */
export const Flag = z.literal('yes')
/** What somebody looks for. */
export const Words = z.string().check(z.maxLength(200))
