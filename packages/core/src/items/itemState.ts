import * as z from 'zod/mini'
import { STATE_ORDER } from './stateRule'

/** How far a person is with an item. `due-soon` and `late` stand for work that is not done; `waiting` for what they have
 * handed in and somebody else has to judge; `waived` for such as they need not do; `out-of-date` for work that was done on an
 * edition that has since been replaced by one that must be done anew. */
export const ItemState = z.enum(STATE_ORDER)
/** Read by {@link ItemState}. */
export type ItemState = z.infer<typeof ItemState>
