import { MOST_CHECK_INS, type CheckInRow, type getCheckIn } from '@jackdaw/contracts/checkIns'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { RelationTo } from '@jackdaw/core/people'
import { checkInState, type Side } from '@jackdaw/core/plans'
import type { CheckInId, LocalDate, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, type Caller } from '../../http'
import { CHECK_IN, CHECK_IN_ANSWERS } from '../model'

/** How a caller stands to a check-in that was asked; `null` when there is none. */
export async function relationsToCheckIn(
  db: Db,
  { id: caller }: Caller,
  id: CheckInId,
): Promise<ReadonlySet<RelationTo<'check-in'>> | null> {
  const row = await db.in(CHECK_IN).one({ id }, { only: ['personId', 'managerId', 'askedAt'] })
  if (!row || row.askedAt === null) return null
  return new Set([...(row.personId === caller ? (['self'] as const) : []), ...(row.managerId === caller ? (['asked'] as const) : [])])
}

type Row = {
  id: CheckInId
  name: string
  plan: string
  person_id: PersonId
  person: string
  manager_id: PersonId | null
  manager: string | null
  asked_on: LocalDate
  closed: boolean
  by_person: boolean
  by_manager: boolean
}
const ROWS = `
  select c.id, c.name, d.document ->> 'title' as plan, c.person_id, p.name as person, c.manager_id, q.name as manager, to_char(c.ask_on, 'YYYY-MM-DD') as asked_on, c.closed_at is not null as closed,
    a.side is not null as by_person, b.side is not null as by_manager
  from check_in c join enrolment e on e.id = c.enrolment_id join plan_edition d on d.plan_id = e.plan_id and d.number = e.edition join person p on p.id = c.person_id
  left join person q on q.id = c.manager_id left join check_in_answers a on a.check_in_id = c.id and a.side = 'person' left join check_in_answers b on b.check_in_id = c.id and b.side = 'manager'
  where c.asked_at is not null`

function rowFor({ id, name, plan, closed, ...row }: Row, caller: PersonId): CheckInRow {
  const side: Side = row.person_id === caller ? 'person' : 'manager'
  const person = { id: row.person_id, name: row.person }
  const manager = row.manager_id === null ? null : { id: row.manager_id, name: row.manager ?? '' }
  return {
    ...{ id, name, plan, person, side, askedOn: row.asked_on, other: side === 'person' ? manager : person },
    state: checkInState(side, { person: row.by_person, manager: row.by_manager, closed }),
  }
}

/** The check-ins of somebody, on whichever side: what waits for them first, then the newest. What was closed before they answered is none of theirs. */
export async function checkInsOf(db: Db, personId: PersonId): Promise<CheckInRow[]> {
  const rows = await db.rows<Row>(
    `select * from (${ROWS} and (c.person_id = $1 or c.manager_id = $1)) x
     where not x.closed or case when x.person_id = $1 then x.by_person else x.by_manager end
     order by case when x.person_id = $1 then x.by_person else x.by_manager end, x.asked_on desc, x.person, x.id limit ${MOST_CHECK_INS}`,
    [personId],
  )
  return rows.map((row) => rowFor(row, personId))
}

/** A check-in as one of the two finds it: what the other has answered comes with it only once both have. */
export async function checkInFor(db: Db, id: CheckInId, caller: PersonId): Promise<ResponseOf<typeof getCheckIn>> {
  const row = (await db.one<Row>(`${ROWS} and c.id = $1`, [id])) ?? fail('not-found')
  const shown = rowFor(row, caller)
  const { questions } = (await db.in(CHECK_IN).one({ id }, { only: ['questions'] })) ?? fail('not-found')
  const given = await db.in(CHECK_IN_ANSWERS).find({ checkInId: id })
  const of = (mine: boolean) => {
    const found = given.find(({ side }) => (side === shown.side) === mine)
    return found ? { answers: [...found.answers], at: found.at } : null
  }
  return { ...shown, questions: [...questions], mine: of(true), theirs: given.length === 2 ? of(false) : null }
}
