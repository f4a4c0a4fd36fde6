import * as z from 'zod/mini'

/** How far a person is with a guide. `due-soon` and `late` stand for work that is not done; `out-of-date` for work that was
 * done on an edition that has since been replaced by one that must be read anew. */
export const ReadingState = z.enum(['late', 'due-soon', 'out-of-date', 'in-progress', 'not-started', 'done'])
export type ReadingState = z.infer<typeof ReadingState>

/** This long before its end an assignment counts as due soon. */
export const DUE_SOON_MS = 3 * 86_400_000

/** What is known about a person and a guide. Editions count from 1; instants are epoch milliseconds, UTC. */
export type ReadingFacts = {
  /** Newest edition that the person finished, or `null`. */
  finishedEdition: number | null
  /** Oldest edition whose completion still counts. */
  requiredEdition: number
  opened: boolean
  dueAt: number | null
}

/** The state of a person's reading. */
export function readingState(facts: ReadingFacts, now: number): ReadingState {
  if (facts.finishedEdition !== null && facts.finishedEdition >= facts.requiredEdition) return 'done'
  if (facts.dueAt !== null && now >= facts.dueAt) return 'late'
  if (facts.dueAt !== null && facts.dueAt - now <= DUE_SOON_MS) return 'due-soon'
  if (facts.finishedEdition !== null) return 'out-of-date'
  return facts.opened ? 'in-progress' : 'not-started'
}
