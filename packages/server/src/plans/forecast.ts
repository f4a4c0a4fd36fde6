import { simulate, type StageStanding } from '@jackdaw/core/plans'
import type { LocalDate, StageId } from '@jackdaw/core/shared'
import type { UnderWay } from './underWay'

/** When the stages that are still to come begin and end, and when all is through, if somebody does everything on its day from now on, and at once what is
 * late; nothing is known of what is held. */
export function forecastOf(
  each: UnderWay,
  standings: readonly StageStanding[],
): { endsOn: LocalDate | null; stages: ReadonlyMap<StageId, StageStanding> } {
  const { document, facts, today, held } = each
  const at = standings.findIndex(({ released, finishedOn }) => !released || finishedOn === null)
  const [stage, standing] = [document.stages[at], standings[at]]
  if (held !== null || !stage || !standing) return { endsOn: null, stages: new Map() }
  // Of the stage in which they are, what is left takes until its last day, or until today where that is over.
  const start = [standing.released ? (standing.endsOn ?? today) : (standing.startsOn ?? today), today].sort().at(-1)!
  const present = standing.released ? { ...stage, items: [] } : stage
  const found = simulate({ ...document, stages: [present, ...document.stages.slice(at + 1)] }, { ...facts, start }, 'as-planned', () => 0)
  return { endsOn: found.endsOn, stages: new Map(found.stages.map((expected) => [expected.id, expected])) }
}
