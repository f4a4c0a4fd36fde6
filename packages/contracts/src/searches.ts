import { ItemRef } from '@jackdaw/core/items'
import { GroupId, LocalDate, PersonId, SearchId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

const whole = z.int().check(z.minimum(0))
const page = z.optional(z.coerce.number().check(z.int(), z.minimum(1), z.maximum(100_000)))
/** Longest search, in characters. */
export const MOST_SOUGHT = 200
/** What somebody sought: in their words, how many things were found, and what of it they opened. */
export const SearchTold = z.object({
  words: z.string().check(z.trim(), z.minLength(1), z.maxLength(MOST_SOUGHT)),
  found: whole.check(z.maximum(1_000_000)),
  opened: z.nullable(ItemRef),
})
/** Read by {@link SearchTold}. */
export type SearchTold = z.infer<typeof SearchTold>
/** Tells of a search. The same id again says what was opened after all. Of one person and day only so many are kept; the others are let go. */
export const tellSearch = endpoint({
  method: 'put',
  path: '/api/searches/:searchId',
  access: { may: 'event.send' },
  params: z.object({ searchId: SearchId }),
  body: SearchTold,
  problems: ['invalid', 'not-found'],
})

const asked = {
  from: z.optional(LocalDate),
  to: z.optional(LocalDate),
  department: z.optional(GroupId),
  site: z.optional(GroupId),
  team: z.optional(GroupId),
}
const Opened = z.object({ ref: ItemRef, number: z.int(), title: z.string() })
const Span = z.object({ from: LocalDate, to: LocalDate })
/** What was sought, in the words in which it was most: how often, by how many people, how often nothing was found, how often something was opened. `wordings`: all words in which
 * it was sought, at most ten. `item`: what was opened most. */
export const SoughtThing = z.object({
  words: z.string(),
  wordings: z.array(z.object({ words: z.string(), times: whole })),
  times: whole,
  people: whole,
  nothing: whole,
  opened: whole,
  item: z.nullable(Opened),
})
/** Read by {@link SoughtThing}. */
export type SoughtThing = z.infer<typeof SoughtThing>
/** What was sought, with near words put together, what was sought most first. `which`: all, or that of which nothing was ever opened. Of more than 2,000 words these that were sought
 * most. */
export const listSought = endpoint({
  method: 'get',
  path: '/api/engagement/searches',
  access: { may: 'records.list' },
  query: z.object({ ...asked, page, which: z.optional(z.enum(['all', 'unanswered'])) }),
  response: z.object({
    span: Span,
    /** Since when searches are kept, where earlier days are looked at. */
    kept: z.nullable(LocalDate),
    everybody: z.boolean(),
    searches: whole,
    rows: z.array(SoughtThing),
    total: z.int(),
    pageSize: z.int(),
  }),
  problems: ['invalid'],
})

/** Which searches for a thing are listed: all, those that found nothing, those after which something was opened; or the people. */
export const SoughtPart = z.enum(['times', 'people', 'nothing', 'opened'])
/** Read by {@link SoughtPart}. */
export type SoughtPart = z.infer<typeof SoughtPart>
/** A search, or of people the last one of each. */
export const Search = z.object({
  id: SearchId,
  at: z.int(),
  person: z.object({ id: PersonId, name: z.string() }),
  words: z.string(),
  found: whole,
  opened: z.nullable(Opened),
})
/** Read by {@link Search}. */
export type Search = z.infer<typeof Search>
/** The searches that a figure counts, the latest first. `words`: any in which the thing was sought in these days. */
export const listSearches = endpoint({
  method: 'get',
  path: '/api/engagement/searches/rows',
  access: { may: 'records.list' },
  query: z.object({ ...asked, page, words: z.string().check(z.minLength(1), z.maxLength(MOST_SOUGHT)), part: SoughtPart }),
  response: z.object({
    span: Span,
    /** Since when searches are kept, where earlier days are looked at. */
    kept: z.nullable(LocalDate),
    words: z.string(),
    rows: z.array(Search),
    total: z.int(),
    pageSize: z.int(),
  }),
  problems: ['invalid', 'not-found'],
})
