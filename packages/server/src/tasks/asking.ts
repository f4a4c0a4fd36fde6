import type { GroupId, HandInId, LocalDate, PersonId, TaskId } from '@jackdaw/core/shared'
import { askedToConfirm, type AskingFacts, type Confirmer } from '@jackdaw/core/tasks'
import { localDateAt } from '@jackdaw/core/shared'
import { taskItem } from '@jackdaw/core/items'
import { Op } from 'sequelize'
import type { Db } from '../db'
import type { Parts, PeopleFollower } from '../http'
import { notify, settle, type Telling } from '../inbox'
import { lineAboveSql } from '../people'
import { HAND_IN_ASKED } from './model'

/** So many people of a role are asked at most. */
const MOST_ASKED = 200

type Waiting = { id: HandInId; task: TaskId; person: PersonId; by: Confirmer['by']; role: GroupId | null; site: GroupId; zone: string }
const WAITING = `
  select h.id, h.task_id as task, h.person_id as person, e.confirmer as by, e.role_id as role, p.site_id as site, s.zone
  from hand_in h join task_edition e on e.task_id = h.task_id and e.edition = h.edition join person p on p.id = h.person_id join people_group s on s.id = p.site_id`

/** Whether somebody is away on a day, as SQL. */
const away = (person: string, on: string): string =>
  `exists (select 1 from absence x where x.person_id = ${person} and ${on} between x.from_on and x.until_on)`
const confirmerOf = ({ by, role }: Waiting): Confirmer =>
  by === 'mentor' ? { by } : by === 'role' && role !== null ? { by, roleId: role } : { by: 'manager' }

/** Who looks after somebody in the plans in which a task stands; in all of theirs where it stands in none. */
const MENTORS = `
  with mine as (
    select q.id, position($2 in d.document::text) > 0 as holds from enrolment e join plan_edition d on d.plan_id = e.plan_id and d.number = e.edition
    join person q on q.id = e.mentor_id and q.active and q.id <> e.person_id where e.person_id = $1 and e.ended_at is null)
  select distinct m.id, ${away('m.id', '$3::date')} as away from mine m where m.holds or not exists (select 1 from mine x where x.holds) order by m.id`

/** What one has to know to say who is asked. */
async function factsOf(db: Db, { person, task, site, role, by }: Waiting, today: LocalDate): Promise<AskingFacts> {
  const line = await db.rows<{ id: PersonId; away: boolean }>(
    `select l.id, ${away('l.id', '$2::date')} as away from ${lineAboveSql('$1')} l order by l.depth`,
    [person, today],
  )
  const holders =
    by === 'role'
      ? await db.rows<{ id: PersonId; siteId: GroupId; away: boolean }>(
          `select p.id, p.site_id as "siteId", ${away('p.id', '$2::date')} as away from member m join person p on p.id = m.person_id and p.active
           where m.group_id = $1 order by (p.site_id = $3) desc, p.name, p.id limit ${MOST_ASKED}`,
          [role, today, site],
        )
      : []
  const mentors = by === 'mentor' ? await db.rows<{ id: PersonId; away: boolean }>(MENTORS, [person, task, today]) : []
  const leads = await db.rows<{ id: PersonId }>(
    `select id from person where active and 'guides.all' = any (permissions) order by name, id limit ${MOST_ASKED}`,
  )
  return { personId: person, siteId: site, line, mentors, holders, leads: leads.map(({ id }) => id) }
}

/** Brings up to date who is asked of what waits, and what stands in their inboxes. */
async function ask(tx: Db, telling: Telling, waiting: readonly Waiting[], now: number): Promise<void> {
  const touched = new Map<TaskId, Set<PersonId>>()
  for (const each of waiting) {
    const people = askedToConfirm(confirmerOf(each), await factsOf(tx, each, localDateAt(now, each.zone)))
    const before = (await tx.in(HAND_IN_ASKED).find({ handInId: each.id }, { only: ['personId'] })).map((row) => row.personId)
    const [gone, fresh] = [before.filter((id) => !people.includes(id)), people.filter((id) => !before.includes(id))]
    await tx.in(HAND_IN_ASKED).remove({ handInId: each.id, personId: { [Op.in]: gone } })
    await tx.in(HAND_IN_ASKED).insertAll(fresh.map((personId) => ({ handInId: each.id, personId })))
    for (const id of [...gone, ...fresh]) touched.set(each.task, (touched.get(each.task) ?? new Set()).add(id))
  }
  for (const [task, people] of touched) await tell(tx, telling, task, [...people], now)
}

/** So many names stand in an entry. */
const NAMED = 5
/** Tells people what they are asked to confirm of a task, or that nothing waits any more. */
async function tell(tx: Db, telling: Telling, task: TaskId, people: readonly PersonId[], now: number): Promise<void> {
  const rows = await tx.rows<{ asked: PersonId; title: string; names: string[] }>(
    `select a.person_id as asked, i.title, array_agg(p.name order by h.at desc) as names from hand_in_asked a join hand_in h on h.id = a.hand_in_id and h.answer is null
     join person p on p.id = h.person_id join item i on i.kind = 'task' and i.id = h.task_id where h.task_id = $1 and a.person_id = any ($2) group by a.person_id, i.title`,
    [task, [...people]],
  )
  const told = rows.map(({ asked, title, names }) => {
    const more = names.length > NAMED ? ' …' : ''
    return { personId: asked, data: { title, names: names.slice(0, NAMED).join(', ') + more, count: names.length } }
  })
  await notify(tx, telling, 'to-confirm', taskItem(task), told, now)
  const still = new Set(told.map(({ personId }) => personId))
  for (const person of people) if (!still.has(person)) await settle(tx, 'to-confirm', taskItem(task), person, now)
}

/** Asks whoever confirms it about what was just handed in. */
export async function askAbout(tx: Db, telling: Telling, id: HandInId, now: number): Promise<void> {
  await ask(tx, telling, await tx.rows<Waiting>(`${WAITING} where h.id = $1`, [id]), now)
}

/** After it was answered nobody is asked any more. */
export async function askNoMore(tx: Db, id: HandInId, task: TaskId, now: number): Promise<void> {
  const rows = await tx.rows<{ person_id: PersonId }>('delete from hand_in_asked where hand_in_id = $1 returning person_id', [id])
  const waiting = await tx.rows<{ person_id: PersonId }>(
    'select a.person_id from hand_in_asked a join hand_in h on h.id = a.hand_in_id where h.task_id = $1 and h.answer is null',
    [task],
  )
  const still = new Set(waiting.map((row) => row.person_id))
  for (const { person_id } of rows) if (!still.has(person_id)) await settle(tx, 'to-confirm', taskItem(task), person_id, now)
}

/** Asks anew where whoever hands in, whom they report to, or who is asked has changed, or somebody has come to have, or has no more, the role that is asked. */
export const askAnew: PeopleFollower = (tx, parts, { touched, now }) => askAnewAbout(tx, parts, touched, now)
/** The same of some people: also when somebody else looks after them. */
export async function askAnewAbout(tx: Db, parts: Parts, touched: readonly PersonId[], now: number): Promise<void> {
  const waiting = await tx.rows<Waiting>(
    `${WAITING} where h.answer is null and (h.person_id = any ($1) or p.manager_id = any ($1) or exists (select 1 from hand_in_asked a where a.hand_in_id = h.id and a.person_id = any ($1))
       or e.confirmer = 'role' and exists (select 1 from membership m where m.group_id = e.role_id and m.person_id = any ($1))) order by h.id for update of h`,
    [touched],
  )
  await ask(tx, parts, waiting, now)
}
