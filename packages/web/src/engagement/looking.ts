import { COMPARISONS, DAYS_LOOKED, daysLooked, FIGURES, UNITS } from '@jackdaw/core/engagement'
import { ALL_ITEM_KINDS, AnyItemId } from '@jackdaw/core/items'
import { addDays, entriesOf, FolderId, GroupId, LocalDate, localDateAt, PersonId } from '@jackdaw/core/shared'
import { CountedFigure, OwnerSort, ReaderSort, StepSort, UsedSort, type Release } from '@jackdaw/contracts/engagement'
import * as z from 'zod/mini'

/** What can be looked at, as it stands in the address. `days`: so many up to today, or those between two days that are named. */
export const LOOKING = {
  by: z.enum(['time', 'used', 'steps', 'readers', 'owners', 'sought', 'last']),
  days: z.enum([...DAYS_LOOKED, 'own']),
  from: LocalDate,
  to: LocalDate,
  unit: z.enum(UNITS),
  compare: z.enum([...COMPARISONS, 'none']),
  shown: z.enum(FIGURES),
  kind: z.enum(ALL_ITEM_KINDS),
  item: AnyItemId,
  owner: PersonId,
  folder: FolderId,
  person: PersonId,
  department: GroupId,
  site: GroupId,
  team: GroupId,
  sort: z.enum([...UsedSort.options, ...ReaderSort.options, ...OwnerSort.options, ...StepSort.options]),
  direction: z.enum(['up', 'down']),
  figure: CountedFigure,
  which: z.enum(['all', 'unanswered']),
}
/** What is looked at. */
export type Looking = { [K in keyof typeof LOOKING]: z.output<(typeof LOOKING)[K]> | undefined }
/** Changes it. */
export type Look = (more: { [K in keyof Looking]?: string | undefined } & { page?: string }) => void

/** The part of it that says which days. */
export type DaysLooked = Pick<Looking, 'days' | 'from' | 'to'>
export const daysOf = ({ days, from, to }: DaysLooked): DaysLooked => ({ days, from, to })

/** The day that it is where the browser is. */
export const todayHere = (): LocalDate => localDateAt(Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone)

/** The days that are looked at: the last four weeks, unless others are chosen. */
export const daysIn = (search: DaysLooked): { from: LocalDate; to: LocalDate } => daysLooked(search, todayHere())

/** From each release to the day before the next one; from the last one to today. @param releases the latest first */
export const betweenReleases = (
  releases: readonly Release[],
  today: LocalDate,
): { id: string; since: string; until: string | null; from: LocalDate; to: LocalDate }[] =>
  releases.flatMap(({ id, name, day }, n) => {
    const next = releases[n - 1]
    const to = next ? addDays(next.day, -1) : today
    return day > to ? [] : [{ id, since: name, until: next?.name ?? null, from: day, to }]
  })

/** Of what is counted, and among whom, as the server is asked. */
export const scopeIn = ({ kind, item, owner, folder, person, department, site, team }: Looking) => ({
  kind,
  item,
  owner,
  folder,
  person,
  department,
  site,
  team,
})

/** The same where visits of guides are counted, which are not told apart by person. */
export const visitScopeIn = (looking: Looking) => {
  const { person: _person, kind: _kind, ...scope } = scopeIn(looking)
  return scope
}

/** A page of engagement at which something is looked at; what is not there does not stand in its address. */
export const pageAt = (path: string, looking: { readonly [name: string]: string | undefined }): string =>
  `${path}?${new URLSearchParams(entriesOf(looking).flatMap(([key, value]): [string, string][] => (value ? [[String(key), value]] : [])))}`

/** The rows that a figure counts; what is looked at stays the same but for what is named. */
export const rowsAt = (looking: Looking, figure: CountedFigure, over: Partial<Looking>): string =>
  pageAt('/engagement/rows', { ...scopeIn(looking), ...over, days: 'own', figure })
