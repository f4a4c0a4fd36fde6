import { ALL_ITEM_KINDS, type ItemId, type ItemKind } from '@jackdaw/core/items'
import type { FolderId, LocalDate, PersonId } from '@jackdaw/core/shared'
import type { Among } from '../people'

/** Of what is counted, and among whom; what is absent leaves nothing out. People are counted in the groups in which they were at the time. */
export type Scope = {
  kind?: ItemKind | undefined
  item?: ItemId | undefined
  owner?: PersonId | undefined
  folder?: FolderId | undefined
  person?: PersonId | undefined
  among: Among
  /** Since when it is kept who used what when; before that nobody's use is looked at. */
  keptSince: LocalDate | null
}

/** The first parameter of every statement here: JSON. */
export const scopeParam = ({ among, ...items }: Omit<Scope, 'keptSince'> & Partial<Scope>): string => JSON.stringify({ ...items, ...among })

const asked = (name: string): string => `($1::jsonb ->> '${name}')`
// As lists, and not as sets that are joined: PostgreSQL 15 fails to plan some of those (“failed to find unique expression in subplan tlist”).
const OF_HOME = (condition: string, row: string): string => `${row}.item_id = any (array(select h.id from item_home h where ${condition}))`
const IN_FOLDER = `h.folder_id in (with recursive inside as (
  select id from folder where id = ${asked('folder')} union select f.id from folder f join inside on f.parent_id = inside.id) select id from inside)`

/** Whether a row is about an item that is looked at. Only what is asked for is asked of each row. @param row with `item_kind` and `item_id` */
export const ofItemsSql = ({ kind, item, owner, folder }: Scope, row: string): string =>
  [
    '$1::jsonb is not null',
    ...(kind ? [`${row}.item_kind = ${asked('kind')}`] : []),
    // With all kinds there are, since it is by both that items are found.
    ...(item ? [`${row}.item_kind = any ('{${ALL_ITEM_KINDS.join(',')}}') and ${row}.item_id = ${asked('item')}`] : []),
    ...(owner ? [OF_HOME(`h.owner_id = ${asked('owner')}`, row)] : []),
    ...(folder ? [OF_HOME(IN_FOLDER, row)] : []),
  ].join(' and ')

const GROUPS = ['department', 'site', 'team'] as const
/** Whether a row is of somebody who is looked at. @param row with `person_id` and `at`, when it was */
export const ofPeopleSql = ({ person, among }: Pick<Scope, 'person' | 'among'>, row: string): string =>
  [
    'true',
    ...(person ? [`${row}.person_id = ${asked('person')}`] : []),
    ...(among.reportsTo === null ? [] : [`${row}.person_id = any (array(select person_id from reports_of(${asked('reportsTo')})))`]),
    ...GROUPS.filter((group) => among[group] !== undefined).map(
      (group) => `exists (select 1 from membership q where q.person_id = ${row}.person_id and q.group_id = ${asked(group)}
        and q.since <= ${row}.at and (q.until is null or q.until > ${row}.at))`,
    ),
  ].join(' and ')

/** Whether a row is of a day of which it is kept who used what. @param row with `local_day` */
export const keptSql = ({ keptSince }: Pick<Scope, 'keptSince'>, row: string): string =>
  keptSince === null ? 'true' : `${row}.local_day >= ${asked('keptSince')}::date`

/** The first day of which it is kept who used what. */
export const firstKeptSql = ({ keptSince }: Pick<Scope, 'keptSince'>): string =>
  keptSince === null ? "'-infinity'::date" : `${asked('keptSince')}::date`

/** Whether no item is left out, and people are told by nothing but who they are. */
export const isOfEverything = ({ kind, item, owner, folder, among }: Scope): boolean =>
  kind === undefined && item === undefined && owner === undefined && folder === undefined && !asksForGroups({ among })

/** Whether it is asked in which groups people were. */
export const asksForGroups = ({ among }: Pick<Scope, 'among'>): boolean => GROUPS.some((group) => among[group] !== undefined)

/** Whether days are looked at of which it is not kept who used what: how much all used together counts there, where nobody is left out. */
export const countsTogether = (scope: Scope, from: LocalDate): boolean =>
  scope.keptSince !== null && from < scope.keptSince && countsGuests(scope)

/** Whether guests are counted: they are nobody, report to nobody, and are in no group. */
export const countsGuests = (scope: Scope): boolean => scope.person === undefined && scope.among.reportsTo === null && !asksForGroups(scope)
