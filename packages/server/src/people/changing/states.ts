import { newcomer, rightsBetween, type Level, type Permission, type PersonState } from '@jackdaw/core/people'
import type { GroupId, LocalDate, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'

type Row = {
  id: PersonId
  name: string
  mail: string | null
  number: string | null
  job_title: string
  telephone: string
  started_on: LocalDate | null
  site_id: GroupId
  manager_id: PersonId | null
  level: Level
  permissions: Permission[]
  active: boolean
  groups: GroupId[]
}
const stateOf = (row: Row): PersonState => ({
  id: row.id,
  name: row.name,
  mail: row.mail,
  number: row.number,
  jobTitle: row.job_title,
  telephone: row.telephone,
  startedOn: row.started_on,
  siteId: row.site_id,
  managerId: row.manager_id,
  level: row.level,
  permissions: row.permissions,
  active: row.active,
  groups: row.groups,
})

const STATES = `select p.id, p.name, p.mail, p.number, p.job_title, p.telephone, to_char(p.started_on, 'YYYY-MM-DD') as started_on, p.site_id, p.manager_id, p.level, p.permissions, p.active,
  array(select m.group_id from membership m where m.person_id = p.id and m.until is null order by m.group_id) as groups from person p`

/** What people are now, by their ids. */
export async function statesOf(db: Db, ids: readonly PersonId[]): Promise<Map<PersonId, PersonState>> {
  const rows = await db.rows<Row>(`${STATES} where p.id = any ($1)`, [ids])
  return new Map(rows.map((row) => [row.id, stateOf(row)]))
}

/** Holds people until the end of the transaction, in one order, so that two who change the same wait for one another. */
export const holdPeople = (tx: Db, ids: readonly PersonId[]): Promise<unknown> =>
  tx.rows('select id from person where id = any ($1) order by id for update', [ids])

const sameList = (a: readonly string[], b: readonly string[]): boolean => a.length === b.length && a.every((each) => b.includes(each))
/** Whether anything that is remembered of the past has changed. */
const becameOther = (before: PersonState, after: PersonState): boolean =>
  before.siteId !== after.siteId || before.managerId !== after.managerId || before.level !== after.level || before.active !== after.active
const isSame = (before: PersonState, after: PersonState): boolean =>
  !becameOther(before, after) &&
  before.name === after.name &&
  before.mail === after.mail &&
  before.number === after.number &&
  before.jobTitle === after.jobTitle &&
  before.telephone === after.telephone &&
  before.startedOn === after.startedOn &&
  sameList(before.permissions, after.permissions) &&
  sameList(before.groups, after.groups)

const columns =
  'id text, name text, mail text, number text, job_title text, telephone text, started_on date, site_id text, manager_id text, level text, permissions text[], active bool'
const rowOf = (state: PersonState) => ({
  id: state.id,
  name: state.name,
  mail: state.mail,
  number: state.number,
  job_title: state.jobTitle,
  telephone: state.telephone,
  started_on: state.startedOn,
  site_id: state.siteId,
  manager_id: state.managerId,
  level: state.level,
  permissions: state.permissions,
  active: state.active,
})

/** By what somebody is found. */
const SOUGHT = "plain(concat_ws(' ', x.name, x.job_title, x.number))"
async function writeRows(tx: Db, added: readonly PersonState[], changed: readonly PersonState[], now: Date): Promise<void> {
  // Whoever is added may report to somebody who is added after them.
  if (added.length > 0)
    await tx.rows(
      `insert into person (id, name, mail, number, job_title, telephone, started_on, site_id, manager_id, level, permissions, active, created_at, changed_at, sought)
       select x.id, x.name, x.mail, x.number, x.job_title, x.telephone, x.started_on, x.site_id, x.manager_id, x.level, x.permissions, x.active, $2, $2, ${SOUGHT} from jsonb_to_recordset($1::jsonb) as x (${columns})`,
      [JSON.stringify(added.map(rowOf)), now],
    )
  if (changed.length === 0) return
  // Two may change mail addresses or numbers with one another.
  await tx.rows(
    `update person p set mail = null, number = null from jsonb_to_recordset($1::jsonb) as x (${columns}) where x.id = p.id and (p.mail, p.number) is distinct from (x.mail, x.number)`,
    [JSON.stringify(changed.map(rowOf))],
  )
  await tx.rows(
    `with x as (select * from jsonb_to_recordset($1::jsonb) as x (${columns})),
       other as (select p.id, p.changed_at, p.site_id, p.manager_id, p.level, p.active from person p join x on x.id = p.id
         where (p.site_id, p.level, p.active) is distinct from (x.site_id, x.level, x.active) or p.manager_id is distinct from x.manager_id),
       past as (insert into person_past (person_id, since, until, site_id, manager_id, level, active) select id, changed_at, greatest(changed_at, $2), site_id, manager_id, level, active from other)
       update person p set name = x.name, mail = x.mail, number = x.number, job_title = x.job_title, telephone = x.telephone, started_on = x.started_on, site_id = x.site_id,
         manager_id = x.manager_id, level = x.level, permissions = x.permissions, active = x.active, sought = ${SOUGHT},
         changed_at = case when exists (select 1 from other where other.id = p.id) then greatest(p.changed_at, $2) else p.changed_at end
       from x where x.id = p.id`,
    [JSON.stringify(changed.map(rowOf)), now],
  )
}

async function writeMemberships(
  tx: Db,
  before: ReadonlyMap<PersonId, PersonState>,
  after: readonly PersonState[],
  now: Date,
): Promise<void> {
  const joins: { person: PersonId; group: GroupId }[] = []
  const leaves: typeof joins = []
  for (const { id, groups } of after) {
    const had = before.get(id)?.groups ?? []
    for (const group of groups) if (!had.includes(group)) joins.push({ person: id, group })
    for (const group of had) if (!groups.includes(group)) leaves.push({ person: id, group })
  }
  const from = 'jsonb_to_recordset($1::jsonb) as x (person text, "group" text)'
  if (leaves.length > 0)
    await tx.rows(
      `update membership m set until = greatest(m.since, $2) from ${from} where m.person_id = x.person and m.group_id = x."group" and m.until is null`,
      [JSON.stringify(leaves), now],
    )
  if (joins.length > 0)
    await tx.rows(
      `insert into membership (person_id, group_id, since) select x.person, x."group", $2 from ${from} on conflict do nothing`,
      [JSON.stringify(joins), now],
    )
}

async function writeRights(
  tx: Db,
  pairs: readonly { before: PersonState; after: PersonState }[],
  by: PersonId | null,
  now: Date,
): Promise<void> {
  const rows = pairs.flatMap(({ before, after }) => {
    const { granted, withdrawn } = rightsBetween(before.permissions, after.permissions)
    if (granted.length + withdrawn.length === 0 && before.level === after.level) return []
    return [{ person: after.id, before: before.level, after: after.level, granted, withdrawn }]
  })
  if (rows.length > 0)
    await tx.rows(
      `insert into rights_change (person_id, by_id, at, level_before, level_after, granted, withdrawn)
       select x.person, $2, $3, x.before, x.after, x.granted, x.withdrawn from jsonb_to_recordset($1::jsonb) as x (person text, before text, after text, granted text[], withdrawn text[])`,
      [JSON.stringify(rows), by, now],
    )
}

/** Writes down what people have become: their rows, what they were before, memberships with their dates, changes of rights.
 * @returns what has changed of whom; who is as before is not in it */
export async function writeStates(
  tx: Db,
  before: ReadonlyMap<PersonId, PersonState>,
  after: readonly PersonState[],
  by: PersonId | null,
  at: number,
): Promise<{ before: PersonState | null; after: PersonState }[]> {
  const now = new Date(at)
  const differing = after.filter((state) => {
    const was = before.get(state.id)
    return !was || !isSame(was, state)
  })
  const added = differing.filter((state) => !before.has(state.id))
  await writeRows(
    tx,
    added,
    differing.filter((state) => before.has(state.id)),
    now,
  )
  await writeMemberships(tx, before, differing, now)
  // Whoever comes with more than the least is written down, too.
  const pairs = differing.map((state) => ({ before: before.get(state.id) ?? newcomer(state.id, state.name, state.siteId), after: state }))
  await writeRights(tx, pairs, by, now)
  return differing.map((state) => ({ before: before.get(state.id) ?? null, after: state }))
}
