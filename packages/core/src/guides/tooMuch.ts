import { entriesOf, keysOf } from '../shared'
import type { GuideDocument, GuideItem } from './document'
import { kindOf } from './guideItems'
import { GUIDE_LIMITS, type Limit } from './limits'

type Amounts = Partial<Record<Limit, number>>

/** How much of each limited thing an item holds; of pictures, the one with the most annotations counts. */
export const amountsIn = (item: GuideItem): Amounts => kindOf(item).amounts(item)

/** The first limit that one state breaks and another one broke less: what is too large already may shrink, and change elsewhere. */
export const grownOver = (before: Amounts, after: Amounts): Limit | null =>
  keysOf(GUIDE_LIMITS).find((limit) => {
    const now = after[limit] ?? 0
    return now > GUIDE_LIMITS[limit].most && now > (before[limit] ?? 0)
  }) ?? null

/** More than a guide may hold, and where. `itemId` is null for the guide as a whole. */
export type TooMuch = { limit: Limit; amount: number; itemId: string | null }

/** All that a document holds too much of: documents from before a limit was set stay open and are mended by their authors. */
export function tooMuchIn(document: GuideDocument): TooMuch[] {
  const of = (amounts: Amounts, itemId: string | null): TooMuch[] =>
    entriesOf(amounts).flatMap(([limit, amount]) => (amount > GUIDE_LIMITS[limit].most ? [{ limit, amount, itemId }] : []))
  return [
    ...of({ items: document.items.length, signs: document.signs.length, silenced: document.silenced.length }, null),
    ...document.items.flatMap((item) => of(amountsIn(item), item.id)),
  ]
}
