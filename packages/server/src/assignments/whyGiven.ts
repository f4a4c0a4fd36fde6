import type { getWhyGiven } from '@jackdaw/contracts/assignments'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { nextRound, type DueRule, type GivenFor, type LineFor } from '@jackdaw/core/assignments'
import type { ItemRef } from '@jackdaw/core/items'
import type { AudienceId, LocalDate, PersonId } from '@jackdaw/core/shared'
import { audienceShown } from '../audiences'
import type { Db } from '../db'
import { fail } from '../http'
import { CLOSED_AT, columnsOf, doneSql, ITEM_PROGRESS } from '../items'

type Row = {
  use: LineFor
  moved_on: LocalDate | null
  round_from: Date | null
  repeat_months: number | null
  finished_at: Date | null
  done: boolean
  zone: string
}
type ReasonRow = {
  /** Of which audience it is a reason, or in which plan it stands. */
  audience: AudienceId | null
  plan: string | null
  publishing: boolean | null
  use: GivenFor
  due: DueRule
  months: number | null
  giver: PersonId
  giver_name: string
  given_at: Date
}
const NOTHING = { use: null, movedOn: null, roundFrom: null, nextRoundOn: null, reasons: [], reminders: [] }

/** Why somebody has an item, and what follows from that.
 * @throws `not-found` when they do not have it and have never used it */
export async function whyGiven(db: Db, personId: PersonId, { kind, id }: ItemRef): Promise<ResponseOf<typeof getWhyGiven>> {
  const line = await db.one<Row & { id: string }>(
    `select a.id, a.use, to_char(a.moved_on, 'YYYY-MM-DD') as moved_on, a.round_from, a.repeat_months, s.zone,
       ${CLOSED_AT} as finished_at, ${doneSql(columnsOf('null', 'null'))} as done
     from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id join person p on p.id = a.person_id join people_group s on s.id = p.site_id
     left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
     where a.person_id = $1 and a.item_kind = $2 and a.item_id = $3`,
    [personId, kind, id],
  )
  if (!line) return (await db.in(ITEM_PROGRESS).count({ personId, itemKind: kind, itemId: id })) > 0 ? NOTHING : fail('not-found')
  const rows = await db.rows<ReasonRow>(
    `select g.audience_id as audience, g.publishing, d.document ->> 'title' as plan, s.use, s.due, s.repeat_months as months, p.id as giver, p.name as giver_name, s.given_at
     from assignment_reason s left join giving g on s.kind = 'giving' and g.id = s.ref
     left join enrolment e on s.kind = 'plan' and e.id = s.ref left join plan_edition d on d.plan_id = e.plan_id and d.number = e.edition
     join person p on p.id = s.given_by where s.assignment_id = $1 order by s.given_at, s.ref`,
    [line.id],
  )
  const reasons: ResponseOf<typeof getWhyGiven>['reasons'] = []
  for (const { audience, plan, publishing, use, due, months: repeatMonths, giver, giver_name: name, given_at } of rows) {
    const shown = audience === null ? null : await audienceShown(db, audience)
    const given = { givenBy: { id: giver, name }, givenAt: given_at.getTime() }
    reasons.push({
      audience: shown && (shown.name ?? shown.sentence),
      plan,
      byPublishing: publishing ?? false,
      use,
      due,
      repeatMonths,
      ...given,
    })
  }
  const again = line.done && line.repeat_months !== null && line.finished_at !== null
  return {
    use: line.use,
    movedOn: line.moved_on,
    roundFrom: line.round_from?.getTime() ?? null,
    nextRoundOn: again ? nextRound(line.finished_at!.getTime(), line.repeat_months!, line.zone).on : null,
    reasons,
    reminders: await remindersOf(db, line.id),
  }
}

/** What was sent of a line. */
async function remindersOf(db: Db, line: string): Promise<ResponseOf<typeof getWhyGiven>['reminders']> {
  const rows = await db.rows<{ id: PersonId; name: string; due_on: LocalDate; stage: number; sent_at: Date }>(
    `select p.id, p.name, to_char(w.due_on, 'YYYY-MM-DD') as due_on, w.stage, w.sent_at from reminder w join person p on p.id = w.to_id where w.assignment_id = $1 order by w.sent_at desc, p.name`,
    [line],
  )
  return rows.map(({ id, name, due_on: dueOn, stage, sent_at }) => ({ to: { id, name }, dueOn, stage, sentAt: sent_at.getTime() }))
}
