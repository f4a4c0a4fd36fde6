import type { ReaderEdition } from '@jackdaw/contracts/reading'
import type { Place } from '../taking/StepAgain'

/** Steps that are looked at once more, one after the other, before somebody comes back to the quiz. `at`: where that begins. */
export type LookUp = { title: string; places: readonly Place[]; at: number }

/** The steps before a quiz, by the sections in which they stand; those under no heading have none.
 * @param at the quiz's id among the steps */
export function sectionsBefore({ guideId, document }: Pick<ReaderEdition, 'guideId' | 'document'>, at: string): LookUp[] {
  const sections: { title: string; places: Place[]; at: number }[] = []
  for (const item of document.items) {
    if (item.id === at) break
    if (item.kind === 'section') sections.push({ title: item.title, places: [], at: 0 })
    if (item.kind !== 'step') continue
    if (sections.length === 0) sections.push({ title: '', places: [], at: 0 })
    const section = sections.at(-1)!
    section.places.push({ guideId, title: section.title, stepId: item.id })
  }
  return sections.filter(({ places }) => places.length > 0)
}
