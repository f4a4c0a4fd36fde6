import { aboutCheckIn } from '@jackdaw/core/inbox'
import { dayAfter } from '@jackdaw/core/calendar'
import { answersBeside, ASKED_AGAIN_DAYS, checkInsOfPlan, type StageStanding } from '@jackdaw/core/plans'
import { known, localDateAt, sameValue, type CheckInId, type EnrolmentId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { dueFactsOf } from '../../assignments'
import { keepPlan, type Db } from '../../db'
import type { Parts, PeopleFollower } from '../../http'
import { notify, settle, takeBack, takeBackAll } from '../../inbox'
import { lineAboveSql } from '../../people'
import { CHECK_IN } from '../model'
import type { UnderWay } from '../underWay'

type Ending = { id: CheckInId; person: PersonId; manager: PersonId | null; answered: boolean }
/** Ends check-ins: what nobody has answered goes; what one has stays theirs, and the other is not asked any more. */
async function end(tx: Db, all: readonly Ending[], now: number): Promise<void> {
  for (const { id, person, manager, answered } of all) {
    if (answered) {
      await tx.in(CHECK_IN).update({ closedAt: now }, { id })
      for (const each of [person, ...(manager ? [manager] : [])]) await settle(tx, 'check-in', aboutCheckIn(id), each, now)
    } else {
      await takeBackAll(tx, aboutCheckIn(id))
      await tx.in(CHECK_IN).remove({ id })
    }
  }
}
/** Those that are still to be asked or answered. */
const ENDING = `select c.id, c.person_id as person, c.manager_id as manager, exists (select 1 from check_in_answers a where a.check_in_id = c.id) as answered from check_in c
  where c.closed_at is null and (select count(*) from check_in_answers a where a.check_in_id = c.id) < 2`

/** Ends the check-ins of plans that have ended. */
export const endCheckIns = async (tx: Db, enrolments: readonly EnrolmentId[], now: number): Promise<void> =>
  end(tx, await tx.rows<Ending>(`${ENDING} and c.enrolment_id = any ($1) order by c.id for update of c`, [[...enrolments]]), now)

/** Writes down what somebody is to be asked in the stages that they have come to, and on which days. What they were asked already stays as it was; what stands in the
 * plan no more goes, unless one of the two has answered. */
export async function setCheckIns(tx: Db, parts: Parts, each: UnderWay, standings: readonly StageStanding[], now: number): Promise<void> {
  const planned = new Map(checkInsOfPlan(each.document).map((checkIn) => [checkIn.id, checkIn]))
  const wanted = standings.filter(({ released }) => released).flatMap(({ checkIns }) => checkIns)
  const fresh = wanted.filter(({ id }) => !each.checkIns.has(id))
  await tx.in(CHECK_IN).insertAll(
    fresh.map(({ id, on }) => {
      const { name, questions } = known(planned, id)
      return { id: parts.newId<CheckInId>(), enrolmentId: each.id, plannedId: id, personId: each.person, name, questions, askOn: on }
    }),
    { skip: true },
  )
  for (const { id, on } of wanted) {
    const [was, { name, questions }] = [each.checkIns.get(id), known(planned, id)]
    if (!was || was.asked || (was.askOn === on && was.name === name && sameValue(was.questions, questions))) continue
    await tx.in(CHECK_IN).update({ askOn: on, name, questions }, { id: was.id, askedAt: null })
  }
  const still = new Set(wanted.map(({ id }) => id))
  const gone = [...each.checkIns].flatMap(([id, { id: own }]) => (still.has(id) ? [] : [own]))
  if (gone.length > 0) await end(tx, await tx.rows<Ending>(`${ENDING} and c.id = any ($1) order by c.id for update of c`, [gone]), now)
}

type Row = { id: CheckInId; name: string; person: PersonId; manager: PersonId | null; mentor: PersonId | null; giver: PersonId | null }
const ROWS = `select c.id, c.name, c.person_id as person, c.manager_id as manager, q.id as mentor, g.id as giver
  from check_in c join enrolment e on e.id = c.enrolment_id and e.ended_at is null join person p on p.id = c.person_id and p.active join people_group s on s.id = p.site_id
  left join person q on q.id = e.mentor_id and q.active left join person g on g.id = e.given_by and g.active`
const LINE = `select l.id from ${lineAboveSql('$1')} l order by l.depth`

async function namesOf(tx: Db, people: readonly (PersonId | null)[]): Promise<ReadonlyMap<PersonId, string>> {
  const rows = await tx.rows<{ id: PersonId; name: string }>('select id, name from person where id = any ($1)', [[...people]])
  return new Map(rows.map(({ id, name }) => [id, name]))
}
/** Who answers beside somebody at present, and what both are called. */
async function besideNow(
  tx: Db,
  { person, mentor, giver }: Row,
): Promise<{ manager: PersonId | null; names: ReadonlyMap<PersonId, string> }> {
  const line = (await tx.rows<{ id: PersonId }>(LINE, [person])).map(({ id }) => id)
  const manager = answersBeside(person, { line, mentor, giver })
  return { manager, names: await namesOf(tx, [person, manager]) }
}
const told = (name: string, other: PersonId | null, names: ReadonlyMap<PersonId, string>) => ({
  name,
  other: other === null ? null : known(names, other),
})

/** So many are asked in one transaction. */
const TOGETHER = 200
/** Asks both of what is due by now, in stages of plans that are not held.
 * @param where which, a condition on a row `c` of `check_in`
 * @returns how many */
export async function askDue(tx: Db, parts: Parts, where: string, bind: unknown[], now: number): Promise<number> {
  const due = await tx.rows<Row>(
    `${ROWS} where c.asked_at is null and c.closed_at is null and c.ask_on <= ($${bind.length + 1}::timestamptz at time zone s.zone)::date
     and not exists (select 1 from enrolment_hold h where h.enrolment_id = e.id and h.until_on is null) and ${where} order by c.id limit ${TOGETHER} for update of c`,
    [...bind, new Date(now)],
  )
  for (const row of due) {
    const { manager, names } = await besideNow(tx, row)
    await tx.in(CHECK_IN).update({ askedAt: now, managerId: manager }, { id: row.id })
    const about = aboutCheckIn(row.id)
    await notify(tx, parts, 'check-in', about, [{ personId: row.person, data: told(row.name, manager, names) }], now)
    if (manager !== null) await notify(tx, parts, 'check-in', about, [{ personId: manager, data: told(row.name, row.person, names) }], now)
  }
  return due.length
}
type OpenRow = Row & { ask_on: LocalDate; missing: PersonId[] }
const OPEN = ROWS.replace(
  'select c.id,',
  `select to_char(c.ask_on, 'YYYY-MM-DD') as ask_on, array(select x.id from (values (c.person_id, 'person'), (c.manager_id, 'manager')) as x (id, side)
     where x.id is not null and not exists (select 1 from check_in_answers a where a.check_in_id = c.id and a.side = x.side)) as missing, c.id,`,
)
/** Asks those once more who have not answered some working days after they were asked.
 * @param after which check-in to begin
 * @returns after which to go on; `null` at the end */
async function askAgain(tx: Db, parts: Parts, after: string, now: number): Promise<string | null> {
  const open = await tx.rows<OpenRow>(
    `${OPEN} where c.asked_at < $1 and c.reminded_at is null and c.closed_at is null and c.id > $2
     and (select count(*) from check_in_answers a where a.check_in_id = c.id) < 2 order by c.id limit ${TOGETHER} for update of c`,
    [new Date(now - ASKED_AGAIN_DAYS * 86_400_000), after],
  )
  const facts = await dueFactsOf(tx, [...new Set(open.map(({ person }) => person))])
  for (const row of open) {
    const { zone, calendar, away } = known(facts, row.person)
    if (dayAfter(row.ask_on, ASKED_AGAIN_DAYS, { working: true, calendar, away }) > localDateAt(now, zone)) continue
    await tx.in(CHECK_IN).update({ remindedAt: now }, { id: row.id })
    const names = await namesOf(tx, [row.person, row.manager])
    const people = row.missing.map((personId) => ({
      personId,
      data: told(row.name, personId === row.person ? row.manager : row.person, names),
    }))
    await notify(tx, parts, 'check-in', aboutCheckIn(row.id), people, now)
  }
  return open.length === TOGETHER ? open.at(-1)!.id : null
}

/** Asks both of all that is due by now, and those once more who have not answered. */
export async function askAllDue(parts: Parts, now: number): Promise<void> {
  const { database } = parts
  while ((await database.transaction((tx) => askDue(tx, parts, 'true', [], now))) === TOGETHER);
  let after: string | null = ''
  while (after !== null) {
    const from: string = after
    after = await database.transaction((tx) => askAgain(tx, parts, from, now))
  }
}

const BESIDE = keepPlan(
  'check-ins-beside',
  `${ROWS} where c.asked_at is not null and c.closed_at is null and not exists (select 1 from check_in_answers a where a.check_in_id = c.id and a.side = 'manager')
   and (c.person_id = any ($1) or c.manager_id = any ($1) or p.manager_id = any ($1)) order by c.id for update of c`,
)
/** Asks somebody else where whoever answers beside somebody has changed and not answered. */
export const askOthers: PeopleFollower = async (tx, parts, { touched, now }) => {
  const open = await tx.rows<Row>(BESIDE, [[...touched]])
  for (const row of open) {
    const { manager, names } = await besideNow(tx, row)
    if (manager === row.manager) continue
    const about = aboutCheckIn(row.id)
    if (row.manager !== null) {
      await takeBack(tx, 'check-in', about, [row.manager])
      await settle(tx, 'check-in', about, row.manager, now)
    }
    await tx.in(CHECK_IN).update({ managerId: manager }, { id: row.id })
    if (manager !== null) await notify(tx, parts, 'check-in', about, [{ personId: manager, data: told(row.name, row.person, names) }], now)
  }
}
