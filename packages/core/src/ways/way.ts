import * as z from 'zod/mini'
import { ALL_WAYS } from './wayOfUse'

/** Ways in which a guide is used. What is to be known of each stands in `WAYS`. */
export const Way = z.enum(ALL_WAYS)
/** Read by {@link Way}. */
export type Way = z.infer<typeof Way>
