import type { Language, Level, Permission, RelationTo } from '@jackdaw/core/people'
import type { PersonId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'
import type { Caller } from '../http'

type PersonRow = {
  id: PersonId
  name: string
  level: Level
  permissions: Permission[]
  zone: string
  language: Language
  has_reports: boolean
  password_hash: string
}
const PERSON = `select p.id, p.name, p.level, p.permissions, p.language, s.zone, p.password_hash, exists (select 1 from person r where r.manager_id = p.id) as has_reports
  from person p join site s on s.id = p.site_id where p.active`

const callerOf = (row: PersonRow): Caller => ({
  id: row.id,
  name: row.name,
  level: row.level,
  permissions: new Set(row.permissions),
  hasReports: row.has_reports,
  zone: row.zone,
  language: row.language,
})

/** The person of a session; `null` when they are no longer active. */
export async function findCaller(db: Db, id: PersonId): Promise<Caller | null> {
  const row = await db.one<PersonRow>(keepPlan('caller', `${PERSON} and p.id = $1`), [id])
  return row ? callerOf(row) : null
}
export async function findByMail(db: Db, mail: string): Promise<{ caller: Caller; passwordHash: string } | null> {
  const row = await db.one<PersonRow>(`${PERSON} and lower(p.mail) = lower($1)`, [mail])
  return row ? { caller: callerOf(row), passwordHash: row.password_hash } : null
}

/** How a caller stands to a person; `null` when there is none. */
export async function relationsToPerson(db: Db, caller: Caller, id: PersonId): Promise<ReadonlySet<RelationTo<'person'>> | null> {
  const row = await db.one<{ reports: boolean }>(
    `select $3 and exists (select 1 from reports_of($2) m where m.person_id = p.id) as reports from person p where p.id = $1`,
    [id, caller.id, caller.hasReports],
  )
  if (!row) return null
  return new Set<RelationTo<'person'>>([...(id === caller.id ? (['self'] as const) : []), ...(row.reports ? (['reports'] as const) : [])])
}

export type FoundPerson = { id: PersonId; name: string; site: string; department: string; may_write: boolean }
/** People by a part of their name, without regard to case and accents.
 * @param writers only those who may write guides */
export const findPeopleByName = (db: Db, find: string, writers: boolean): Promise<FoundPerson[]> =>
  db.rows<FoundPerson>(
    `select p.id, p.name, s.name as site, d.name as department, 'guides.write' = any (p.permissions) as may_write
     from person p join site s on s.id = p.site_id join department d on d.id = p.department_id
     where p.active and position(plain($1) in plain(p.name)) > 0 and (not $2 or 'guides.write' = any (p.permissions)) order by p.name, p.id limit 200`,
    [find, writers],
  )

export type GroupRow = { id: string; name: string; people: number }
const groups = (db: Db, sql: string): Promise<GroupRow[]> => db.rows<GroupRow>(sql)
/** Groups with the number of active people in each. */
export async function listAllGroups(db: Db): Promise<{ teams: GroupRow[]; roles: GroupRow[]; sites: GroupRow[] }> {
  const of = (name: 'team' | 'role') =>
    `select g.id, g.name, (select count(*)::int from person_${name} m join person p on p.id = m.person_id and p.active where m.${name}_id = g.id) as people from ${name} g order by g.name`
  const [teams, roles, sites] = await Promise.all([
    groups(db, of('team')),
    groups(db, of('role')),
    groups(
      db,
      'select s.id, s.name, (select count(*)::int from person p where p.active and p.site_id = s.id) as people from site s order by s.name',
    ),
  ])
  return { teams, roles, sites }
}
