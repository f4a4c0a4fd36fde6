import type { GuideDocument, GuideItem, StepPicture } from './document'
import { GUIDE_LIMITS, type Limit } from './limits'
import { textLevels } from './text/richText'

type Amounts = Partial<Record<Limit, number>>
const most = (numbers: readonly number[]): number => numbers.reduce((a, b) => Math.max(a, b), 0)

/** How much of each limited thing a step or section holds; of pictures, the one with the most annotations counts. */
export function amountsIn(item: GuideItem): Amounts {
  if (item.kind === 'section') return {}
  return {
    pictures: item.pictures.length,
    annotations: most(item.pictures.map((picture: StepPicture) => picture.annotations?.length ?? 0)),
    cautions: item.cautions?.length ?? 0,
    signs: item.signs?.length ?? 0,
    levels: textLevels(item.body),
  }
}

/** The first limit that one state breaks and another one broke less: what is too large already may shrink, and change elsewhere. */
export const grownOver = (before: Amounts, after: Amounts): Limit | null =>
  (Object.keys(GUIDE_LIMITS) as Limit[]).find((limit) => {
    const now = after[limit] ?? 0
    return now > GUIDE_LIMITS[limit].most && now > (before[limit] ?? 0)
  }) ?? null

/** More than a guide may hold, and where. `itemId` is null for the guide as a whole. */
export type TooMuch = { limit: Limit; amount: number; itemId: string | null }

/** All that a document holds too much of: documents from before a limit was set stay open and are mended by their authors. */
export function tooMuchIn(document: GuideDocument): TooMuch[] {
  const of = (amounts: Amounts, itemId: string | null): TooMuch[] =>
    (Object.entries(amounts) as [Limit, number][]).flatMap(([limit, amount]) =>
      amount > GUIDE_LIMITS[limit].most ? [{ limit, amount, itemId }] : [],
    )
  return [
    ...of({ items: document.items.length, signs: document.signs.length, silenced: document.silenced.length }, null),
    ...document.items.flatMap((item) => of(amountsIn(item), item.id)),
  ]
}
