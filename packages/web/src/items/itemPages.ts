import type { ItemKind, ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Texts } from '../ui/words/texts'

/** What pages that show items of every kind need to know of one. */
type ItemPages = {
  /** The records of its people, and what is known of one person and it. */
  records: (id: string) => string
  recordOfPerson: (personId: PersonId, id: string) => string
  /** How many of its parts somebody has gone through. */
  partsSeen: (t: Texts['t'], seen: number, parts: number) => string
}
const PAGES: Record<ItemKind, ItemPages> = {
  guide: {
    records: (id) => `/records/guides/${id}`,
    recordOfPerson: (personId, id) => `/records/people/${personId}/guides/${id}`,
    partsSeen: (t, seen, steps) => t('{{seen}} of {{steps}} steps read', { seen, steps }),
  },
}

/** The page with the records of an item. */
export const recordsOf = ({ kind, id }: ItemRef): string => PAGES[kind].records(id)
/** The page with what is known of a person and an item. */
export const recordOfPerson = (personId: PersonId, { kind, id }: ItemRef): string => PAGES[kind].recordOfPerson(personId, id)
/** How many parts of an item somebody has gone through, in words. */
export const partsSeenOf = (t: Texts['t'], { kind }: ItemRef, seen: number, parts: number): string =>
  PAGES[kind].partsSeen(t, Math.min(seen, parts), parts)
