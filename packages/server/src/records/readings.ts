import type { Counts, DropOffStep, PersonGuide, PersonRecord, SoloState, WhoSort } from '@jackdaw/contracts/records'
import { DUE_SOON_MS, type ReadingState } from '@jackdaw/core/assignments'
import type { GuideId, LocalDate, PersonId, StepId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { amongParam, amongSql, type Among } from './among'
import { NO_WAYS, SOLO_STATE, waysUsed } from './wayUses'

export const PAGE_SIZE = 50

/** The state of a reading in SQL, the same rule as `readingState` in core/assignments; `$now` and `$soon` are bound parameters. */
const stateSql = (now: string, soon: string): string => `case
  when r.finished_edition >= g.required_edition then 'done'
  when a.due_at <= ${now} then 'late'
  when a.due_at <= ${soon} then 'due-soon'
  when r.finished_edition is not null then 'out-of-date'
  when r.person_id is not null then 'in-progress'
  else 'not-started' end`

/** Everyone with an assignment or a reading of guides; bound: $1 now, $2 soon, $3 among whom. */
const STANDING = `
  select k.item_id as guide_id, k.person_id, a.id is not null as assigned, to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.due_at,
    r.first_at, r.last_at, coalesce(r.active_ms, 0)::float8 as active_ms, r.finished_at, r.finished_edition, coalesce(r.finished_attested, false) as finished_attested,
    g.number, g.published_title as title, g.newest_edition, g.required_edition, e.steps, ${stateSql('$1', '$2')} as state
  from (select item_id, person_id from assignment where item_kind = 'guide' union select guide_id, person_id from reading union select guide_id, person_id from way_use) k
  join guide g on g.id = k.item_id and g.newest_edition is not null join edition e on e.guide_id = g.id and e.number = g.newest_edition
  left join assignment a on a.item_kind = 'guide' and a.item_id = k.item_id and a.person_id = k.person_id
  left join reading r on r.guide_id = k.item_id and r.person_id = k.person_id
  where ${amongSql('k.person_id', '$3')}`

const standing = (among: Among, now: number): unknown[] => [new Date(now), new Date(now + DUE_SOON_MS), amongParam(among)]

const COUNTS = `count(*)::int as people, count(*) filter (where state = 'done')::int as done, count(*) filter (where state = 'in-progress')::int as "inProgress",
  count(*) filter (where state = 'not-started')::int as "notStarted", count(*) filter (where state = 'due-soon')::int as "dueSoon",
  count(*) filter (where state = 'late')::int as late, count(*) filter (where state = 'out-of-date')::int as "outOfDate",
  count(*) filter (where state = 'done' and not finished_attested)::int as claimed`

const SEEN = `(select count(*)::int from reading_step s join edition_step x on x.guide_id = s.guide_id and x.edition = w.newest_edition and x.step_id = s.step_id
  where s.guide_id = w.guide_id and s.person_id = w.person_id and s.viewed_edition >= w.required_edition)`

type StandingRow = {
  state: ReadingState
  steps: number
  seen: number
  active_ms: number
  due_on: LocalDate | null
  first_at: Date | null
  last_at: Date | null
  finished_at: Date | null
  finished_edition: number | null
  finished_attested: boolean
  assigned: boolean
}
const recordOf = (row: StandingRow) => ({
  state: row.state,
  steps: row.steps,
  seen: row.seen,
  activeMs: row.active_ms,
  dueOn: row.due_on,
  assigned: row.assigned,
  startedAt: row.first_at?.getTime() ?? null,
  lastAt: row.last_at?.getTime() ?? null,
  finishedAt: row.finished_at?.getTime() ?? null,
  finishedEdition: row.finished_edition,
  finishedAttested: row.finished_attested,
  ways: NO_WAYS,
})

/** How many people of a guide are in which state. */
export async function countsOfGuide(db: Db, guideId: GuideId, among: Among, now: number): Promise<Counts> {
  return (await db.one<Counts>(`select ${COUNTS} from (${STANDING} and k.item_id = $4) w`, [...standing(among, now), guideId]))!
}

const STATE_ORDER = `array_position(array['late', 'due-soon', 'out-of-date', 'not-started', 'in-progress', 'done'], state)`
const SORT: Record<WhoSort, string> = {
  name: 'name',
  state: STATE_ORDER,
  progress: 'seen',
  time: 'active_ms',
  last: 'last_at',
  due: "case when state = 'done' then null else due_at end",
  finished: 'finished_at',
}

/** Whose record a row is. */
type WhoRow = { person_id: PersonId; name: string; site: string; department: string; zone: string; teams: string[]; roles: string[] }
const whoOf = ({ person_id, name, site, department, zone, teams, roles }: WhoRow) => ({
  personId: person_id,
  name,
  site,
  department,
  zone,
  teams,
  roles,
})
/** Names of the teams and roles of the person of a row `w`. */
const GROUPS = `array(select t.name from person_team m join team t on t.id = m.team_id where m.person_id = w.person_id order by t.name) as teams,
  array(select t.name from person_role m join role t on t.id = m.role_id where m.person_id = w.person_id order by t.name) as roles`

export type WhoFilter = {
  state?: ReadingState | undefined
  find?: string | undefined
  furthest?: StepId | undefined
  solo?: SoloState | undefined
  sort: WhoSort
  down: boolean
  page: number
  pageSize?: number
}

/** For each person how many steps of guide $4 they have seen, and the furthest of them: one pass over all, where a page is not enough. */
const REACH = `select s.person_id, count(*)::int as seen, (array_agg(x.step_id order by x.position desc))[1] as furthest
  from guide g join reading_step s on s.guide_id = g.id and s.viewed_edition >= g.required_edition
  join edition_step x on x.guide_id = g.id and x.edition = g.newest_edition and x.step_id = s.step_id where g.id = $4 group by s.person_id`

/** The people of a guide, a page of them. */
export async function whoFinished(
  db: Db,
  guideId: GuideId,
  among: Among,
  filter: WhoFilter,
  now: number,
): Promise<{ rows: PersonRecord[]; total: number }> {
  const pageSize = filter.pageSize ?? PAGE_SIZE
  const order = `${SORT[filter.sort]} ${filter.down ? 'desc' : 'asc'} nulls last, name, person_id`
  // What has to be counted for every person is left for the page where the order does not ask for it.
  const early = filter.sort === 'progress' || filter.furthest !== undefined
  type Row = StandingRow & WhoRow & { total: number }
  const rows = await db.rows<Row>(
    `with who as (
       select w.*, p.name, p.site_id, p.department_id${early ? ', coalesce(h.seen, 0) as seen' : ''} from (${STANDING} and k.item_id = $4) w join person p on p.id = w.person_id
       ${early ? `left join (${REACH}) h on h.person_id = w.person_id` : ''}
       where ($5::text is null or (${early ? 'h.furthest = $5 and ' : ''}coalesce(w.finished_edition < w.required_edition, true))) and ($6::text is null or w.state = $6) and ($7 = '' or position(plain($7) in plain(p.name)) > 0) and ($9::text is null or ${SOLO_STATE} = $9)),
     page as (select *, count(*) over ()::int as total from who order by ${order} limit ${pageSize} offset $8)
     select w.*, ${early ? '' : `${SEEN} as seen,`} s.name as site, s.zone, d.name as department, ${GROUPS} from page w join site s on s.id = w.site_id join department d on d.id = w.department_id order by ${order.replace('name,', 'w.name,').replace(/^name /, 'w.name ')}`,
    [
      ...standing(among, now),
      guideId,
      filter.furthest ?? null,
      filter.state ?? null,
      filter.find ?? '',
      (filter.page - 1) * pageSize,
      filter.solo ?? null,
    ],
  )
  const ways = await waysUsed(db, { guideIds: [guideId], personIds: rows.map((row) => row.person_id) })
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map((row) => ({
      ...recordOf(row),
      ways: ways(guideId, row.person_id),
      ...whoOf(row),
    })),
  }
}

/** For each step of the newest edition: who got there, who stopped there, and the active time spent on it. Counted are those who
 * looked at a step in an edition that still counts.
 * @param required the oldest edition that counts */
export async function dropOffOf(
  db: Db,
  guideId: GuideId,
  edition: number,
  required: number,
  among: Among,
): Promise<{ started: number; finished: number; since: number | null; steps: DropOffStep[] }> {
  const people = await db.one<{ started: number; finished: number; since: Date | null }>(
    `select count(*)::int as started, count(*) filter (where r.finished_edition >= $3)::int as finished, min(r.first_at) as since from reading r
     where r.guide_id = $1 and ${amongSql('r.person_id', '$2')}
       and exists (select 1 from reading_step s where s.guide_id = r.guide_id and s.person_id = r.person_id and s.viewed_edition >= $3)`,
    [guideId, amongParam(among), required],
  )
  const steps = await db.rows<DropOffStep>(
    `with step as (select step_id, position, section, name from edition_step where guide_id = $1 and edition = $2),
     seen as (
       select s.person_id, x.position, s.active_ms from reading_step s join step x on x.step_id = s.step_id
       where s.guide_id = $1 and s.viewed_edition >= $4 and ${amongSql('s.person_id', '$3')}),
     reached as (select position, count(*)::int as people, sum(active_ms)::float8 as active_ms from seen group by position),
     furthest as (select person_id, max(position) as position from seen group by person_id),
     stopped as (select f.position, count(*)::int as people from furthest f join reading r on r.guide_id = $1 and r.person_id = f.person_id where coalesce(r.finished_edition < $4, true) group by f.position)
     select x.step_id as "stepId", x.position, x.section, x.name, coalesce(r.people, 0) as reached, coalesce(t.people, 0) as "stoppedHere", coalesce(r.active_ms, 0) as "activeMs"
     from step x left join reached r on r.position = x.position left join stopped t on t.position = x.position order by x.position`,
    [guideId, edition, amongParam(among), required],
  )
  return { started: people!.started, finished: people!.finished, since: people!.since?.getTime() ?? null, steps }
}

/** The guides of one person, what is to be done first. */
export async function guidesOfPerson(db: Db, personId: PersonId, now: number): Promise<PersonGuide[]> {
  type Row = StandingRow & { guide_id: GuideId; number: number; title: string; newest_edition: number }
  const rows = await db.rows<Row>(
    `select w.*, ${SEEN} as seen from (${STANDING} and k.person_id = $4) w order by ${STATE_ORDER}, due_at nulls last, number`,
    [...standing({ reportsTo: null }, now), personId],
  )
  const ways = await waysUsed(db, { guideIds: rows.map((row) => row.guide_id), personIds: [personId] })
  return rows.map((row) => ({
    ...recordOf(row),
    ways: ways(row.guide_id, personId),
    guideId: row.guide_id,
    number: row.number,
    title: row.title,
    edition: row.newest_edition,
  }))
}

const nested = (row: Counts): Counts => ({
  people: row.people,
  done: row.done,
  inProgress: row.inProgress,
  notStarted: row.notStarted,
  dueSoon: row.dueSoon,
  late: row.late,
  outOfDate: row.outOfDate,
  claimed: row.claimed,
})

/** Guides with how far their people are; those with the most people who are late come first. */
export async function guideRecords(
  db: Db,
  among: Among,
  page: number,
  state: ReadingState | undefined,
  now: number,
): Promise<{
  rows: { id: GuideId; number: number; title: string; edition: number; counts: Counts; lastAt: number | null }[]
  total: number
}> {
  type Row = Counts & { guide_id: GuideId; number: number; title: string; newest_edition: number; last_at: Date | null; total: number }
  const rows = await db.rows<Row>(
    `select guide_id, number, title, newest_edition, max(last_at) as last_at, ${COUNTS}, count(*) over ()::int as total from (${STANDING} and g.archived_at is null) w where $5::text is null or state = $5
     group by guide_id, number, title, newest_edition order by late desc, number limit ${PAGE_SIZE} offset $4`,
    [...standing(among, now), (page - 1) * PAGE_SIZE, state ?? null],
  )
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map((row) => ({
      id: row.guide_id,
      number: row.number,
      title: row.title,
      edition: row.newest_edition,
      counts: nested(row),
      lastAt: row.last_at?.getTime() ?? null,
    })),
  }
}

/** People with how far they are; those with the most that is late come first. */
export async function personRecords(
  db: Db,
  among: Among,
  find: string,
  page: number,
  state: ReadingState | undefined,
  now: number,
): Promise<{ rows: { id: PersonId; name: string; site: string; department: string; counts: Counts }[]; total: number }> {
  type Row = Counts & { id: PersonId; name: string; site: string; department: string; total: number }
  const rows = await db.rows<Row>(
    `with who as (select * from (${STANDING} and g.archived_at is null) x)
     select p.id, p.name, s.name as site, d.name as department, ${COUNTS.replace('count(*)::int as people', 'count(w.person_id)::int as people')}, count(*) over ()::int as total
     from person p join site s on s.id = p.site_id join department d on d.id = p.department_id left join who w on w.person_id = p.id and ($6::text is null or w.state = $6)
     where p.active and ${amongSql('p.id', '$3')} and ($6::text is null or w.person_id is not null) and ($4 = '' or position(plain($4) in plain(p.name)) > 0)
     group by p.id, s.id, d.id order by late desc, p.name, p.id limit ${PAGE_SIZE} offset $5`,
    [...standing(among, now), find, (page - 1) * PAGE_SIZE, state ?? null],
  )
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map((row) => ({ id: row.id, name: row.name, site: row.site, department: row.department, counts: nested(row) })),
  }
}

/** Every person and guide, a row for each of both. */
export async function allRecords(
  db: Db,
  among: Among,
  { find = '', state }: { find?: string | undefined; state?: ReadingState | undefined },
  most: number,
  now: number,
): Promise<(PersonRecord & { number: number; title: string; edition: number })[]> {
  type Row = StandingRow & WhoRow & { guide_id: GuideId; number: number; title: string; newest_edition: number }
  const rows = await db.rows<Row>(
    `select w.*, ${SEEN} as seen, p.name, s.name as site, s.zone, d.name as department, ${GROUPS} from (${STANDING} and g.archived_at is null) w
     join person p on p.id = w.person_id join site s on s.id = p.site_id join department d on d.id = p.department_id
     where ($4::text is null or w.state = $4) and ($5 = '' or position(plain($5) in plain(p.name)) > 0) order by p.name, p.id, w.number limit $6`,
    [...standing(among, now), state ?? null, find.trim(), most],
  )
  const ways = await waysUsed(db, {
    guideIds: [...new Set(rows.map((row) => row.guide_id))],
    personIds: [...new Set(rows.map((row) => row.person_id))],
  })
  return rows.map((row) => ({
    ...recordOf(row),
    ways: ways(row.guide_id, row.person_id),
    ...whoOf(row),
    number: row.number,
    title: row.title,
    edition: row.newest_edition,
  }))
}

/** How many people of a guide have passed Solo in an edition that counts, and how many have tried it at all. */
export async function soloCountsOf(db: Db, guideId: GuideId, among: Among): Promise<{ passed: number; tried: number }> {
  return (await db.one(
    `select count(*) filter (where u.passed_edition >= g.required_edition)::int as passed, count(*)::int as tried
     from way_use u join guide g on g.id = u.guide_id
     where u.guide_id = $1 and u.way = 'solo' and ${amongSql('u.person_id', '$2')}`,
    [guideId, amongParam(among)],
  ))!
}
