import type { ItemKind, ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Texts } from '../ui/words/texts'

/** What pages that show items of every kind need to know of one. */
type ItemPages = {
  /** What one is called, with its number. */
  named: (t: Texts['t'], n: number) => string
  /** The records of its people, and what is known of one person and it. */
  records: (id: string) => string
  recordOfPerson: (personId: PersonId, id: string) => string
  /** Where it is written, and the words on the way there. */
  edit: (t: Texts['t'], id: string) => { to: string; words: string }
  /** Whether people go through it step by step; then how many of the steps somebody has gone through, in words. */
  partsSeen: ((t: Texts['t'], seen: number, parts: number) => string) | null
}
const PAGES: Record<ItemKind, ItemPages> = {
  guide: {
    named: (t, n) => t('Guide {{n}}', { n }),
    records: (id) => `/records/guides/${id}`,
    recordOfPerson: (personId, id) => `/records/people/${personId}/guides/${id}`,
    edit: (t, id) => ({ to: `/guides/${id}/edit`, words: t('Edit the guide') }),
    partsSeen: (t, seen, steps) => t('{{seen}} of {{steps}} steps read', { seen, steps }),
  },
  task: {
    named: (t, n) => t('Task {{n}}', { n }),
    records: (id) => `/records/tasks/${id}`,
    recordOfPerson: (personId, id) => `/records/people/${personId}/tasks/${id}`,
    edit: (t, id) => ({ to: `/tasks/${id}/edit`, words: t('Edit the task') }),
    partsSeen: null,
  },
  quiz: {
    named: (t, n) => t('Quiz {{n}}', { n }),
    records: (id) => `/records/quizzes/${id}`,
    recordOfPerson: (personId, id) => `/records/people/${personId}/quizzes/${id}`,
    edit: (t, id) => ({ to: `/quizzes/${id}/edit`, words: t('Edit the quiz') }),
    partsSeen: null,
  },
}

/** What an item is called, with its number: “Guide 12”. */
export const namedItem = (t: Texts['t'], { kind }: ItemRef, n: number): string => PAGES[kind].named(t, n)
/** The page with the records of an item. */
export const recordsOf = ({ kind, id }: ItemRef): string => PAGES[kind].records(id)
/** The page with what is known of a person and an item. */
export const recordOfPerson = (personId: PersonId, { kind, id }: ItemRef): string => PAGES[kind].recordOfPerson(personId, id)
/** Where an item is written. */
export const editOf = (t: Texts['t'], { kind, id }: ItemRef): { to: string; words: string } => PAGES[kind].edit(t, id)
/** How many parts of an item somebody has gone through, in words; `null` of such as have none. */
export const partsSeenOf = (t: Texts['t'], { kind }: ItemRef, seen: number, parts: number): string | null =>
  PAGES[kind].partsSeen?.(t, Math.min(seen, parts), parts) ?? null
