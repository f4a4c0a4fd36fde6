import type { Language, Level, Permission, RelationTo } from '@jackdaw/core/people'
import type { GroupId, GroupKindId, PersonId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'
import { departmentsSql } from './groupsSql'
import type { Caller } from '../http'

type PersonRow = {
  id: PersonId
  name: string
  level: Level
  permissions: Permission[]
  zone: string
  language: Language
  reads_as_page: boolean
  has_reports: boolean
  password_given: boolean
  password_hash: string | null
}
const PERSON = `select p.id, p.name, p.level, p.permissions, p.language, p.reads_as_page, s.zone, p.password_hash, p.password_given, exists (select 1 from person r where r.manager_id = p.id) as has_reports
  from person p join people_group s on s.id = p.site_id where p.active`

const callerOf = (row: PersonRow): Caller => ({
  id: row.id,
  name: row.name,
  level: row.level,
  permissions: new Set(row.permissions),
  hasReports: row.has_reports,
  zone: row.zone,
  language: row.language,
  readsAsPage: row.reads_as_page,
  passwordToChoose: row.password_given,
})

/** The person of a session; `null` when they are no longer active. */
export async function findCaller(db: Db, id: PersonId): Promise<Caller | null> {
  const row = await db.one<PersonRow>(keepPlan('caller', `${PERSON} and p.id = $1`), [id])
  return row ? callerOf(row) : null
}
/** Somebody by their mail address or personnel number. */
export async function findByAccount(db: Db, account: string): Promise<{ caller: Caller; passwordHash: string | null } | null> {
  const row = await db.one<PersonRow>(`${PERSON} and lower(${account.includes('@') ? 'p.mail' : 'p.number'}) = lower($1)`, [account])
  return row ? { caller: callerOf(row), passwordHash: row.password_hash } : null
}

/** How a caller stands to a person; `null` when there is none. */
export async function relationsToPerson(db: Db, caller: Caller, id: PersonId): Promise<ReadonlySet<RelationTo<'person'>> | null> {
  const row = await db.one<{ active: boolean; reports: boolean }>(
    `select p.active, $3 and exists (select 1 from reports_of($2) m where m.person_id = p.id) as reports from person p where p.id = $1`,
    [id, caller.id, caller.hasReports],
  )
  if (!row) return null
  return new Set<RelationTo<'person'>>([
    ...(id === caller.id ? (['self'] as const) : []),
    ...(row.reports ? (['reports'] as const) : []),
    ...(row.active ? (['here'] as const) : []),
  ])
}

export type FoundPerson = { id: PersonId; name: string; site: string; department: string; may_write: boolean }
/** People by a part of their name, without regard to case and accents.
 * @param writers only those who may write guides */
export const findPeopleByName = (db: Db, find: string, writers: boolean): Promise<FoundPerson[]> =>
  db.rows<FoundPerson>(
    `select p.id, p.name, s.name as site, ${departmentsSql('p.id')} as department, 'guides.write' = any (p.permissions) as may_write
     from person p join people_group s on s.id = p.site_id
     where p.active and position(plain($1) in plain(p.name)) > 0 and (not $2 or 'guides.write' = any (p.permissions)) order by p.name, p.id limit 200`,
    [find, writers],
  )

/** The groups that there are, with the number of people in each, by kind and name. */
export const listAllGroups = (db: Db): Promise<{ id: GroupId; kind: GroupKindId; kindName: string; name: string; people: number }[]> =>
  db.rows(
    `select g.id, g.kind_id as kind, k.name as "kindName", g.name, (select count(*)::int from membership m where m.group_id = g.id and m.until is null) as people
     from people_group g join group_kind k on k.id = g.kind_id where g.closed_at is null
     order by array_position(array['team', 'role', 'department', 'site'], g.kind_id), k.name, g.name`,
  )
