import type { UseOverTime } from '@jackdaw/contracts/engagement'
import type { Figure } from '@jackdaw/core/engagement'
import type { LocalDate } from '@jackdaw/core/shared'

type Kept = Pick<UseOverTime, 'kept' | 'together'>
const isOld = ({ kept }: Kept, from: LocalDate): boolean => kept !== null && from < kept

/** Whether a figure of days that begin at one is known: how many people there were is not, once it is not kept who they were; where these days do not count
 * at all, neither is how much they did. */
export const isKnown = (of: Kept, figure: Figure, from: LocalDate): boolean =>
  !isOld(of, from) || !(figure === 'people' || (!of.together && (figure === 'views' || figure === 'finished')))

/** Whether the rows that a figure counts can be shown. */
export const opensIn = (of: Kept, figure: Figure, from: LocalDate): boolean =>
  !isOld(of, from) || !of.together || !(figure === 'views' || figure === 'finished')
