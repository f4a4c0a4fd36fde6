import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { getToday, TodayItem } from '@jackdaw/contracts/reading'
import type { LineFor } from '@jackdaw/core/assignments'
import { itemRefOf, STATE_ORDER, stateOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import { daysBetween, localDateAt, type LocalDate } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'
import type { Caller } from '../http'
import { countToJudge } from '../quizzes'
import { countToConfirm } from '../tasks'
import { foundAgain } from './foundAgain'

type Row = {
  kind: ItemKind
  id: ItemId
  number: number
  title: string
  minutes: number
  parts: number
  seen: number
  edition: number
  required_edition: number
  claim_suffices: boolean
  due_on: LocalDate | null
  due_at: Date | null
  waived_at: Date | null
  use: LineFor
  round_from: Date | null
  last_at: Date | null
  last_finished_at: Date | null
  last_attested_at: Date | null
  handed_in_at: Date | null
  answered_at: Date | null
  assigned_at: Date
  started_at: Date | null
  finished_edition: number | null
  attested_edition: number | null
}

const at = (time: Date | null): number | null => time?.getTime() ?? null
const DONE_SHOWN = 20

const GIVEN = keepPlan(
  'today',
  `select i.kind, i.id, i.number, i.title, i.minutes, i.parts, i.edition, i.required_edition, i.claim_suffices, coalesce(r.parts_seen, 0) as seen,
     to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.due_at, a.waived_at, a.assigned_at, a.use, a.round_from, r.last_at, r.last_finished_at, r.last_attested_at, r.handed_in_at, r.answered_at, r.started_at, r.finished_edition, r.attested_edition
   from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id and i.archived_at is null and i.edition is not null
   left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
   where a.person_id = $1`,
)

/** What one person has been given: first what is late, then by due day; what is done apart, newest first, and what is at hand by its number. */
export async function todayOf(db: Db, caller: Caller, now: number): Promise<ResponseOf<typeof getToday>> {
  const [rows, found, toConfirm, toJudge] = await Promise.all([
    db.rows<Row>(GIVEN, [caller.id]),
    foundAgain(db, caller.id, now),
    countToConfirm(db, caller.id),
    countToJudge(db, caller.id),
  ])
  const today = localDateAt(now, caller.zone)
  const items = rows.map((row): TodayItem & { dueAt: number } => ({
    item: itemRefOf(row.kind, row.id),
    number: row.number,
    title: row.title,
    minutes: row.minutes,
    parts: row.parts,
    seen: row.seen,
    edition: row.edition,
    use: row.use,
    state: stateOf(
      {
        finishedEdition: row.finished_edition,
        attestedEdition: row.attested_edition,
        requiredEdition: row.required_edition,
        claimSuffices: row.claim_suffices,
        startedAt: at(row.started_at),
        dueAt: at(row.due_at),
        waivedAt: at(row.waived_at),
        roundFrom: at(row.round_from),
        lastFinishedAt: at(row.last_finished_at),
        lastAttestedAt: at(row.last_attested_at),
        lastAt: at(row.last_at),
        handedInAt: at(row.handed_in_at),
        answeredAt: at(row.answered_at),
      },
      now,
    ),
    dueOn: row.due_on,
    daysLeft: row.due_on === null ? null : daysBetween(today, row.due_on),
    finishedAt: at(row.last_finished_at),
    assignedAt: row.assigned_at.getTime(),
    dueAt: row.due_at?.getTime() ?? Number.MAX_SAFE_INTEGER,
  }))
  const [asking, atHand] = [items.filter(({ use }) => use === 'to-do'), items.filter(({ use }) => use !== 'to-do')]
  const waiting = asking
    .filter((item) => item.state !== 'done' && item.state !== 'waived')
    .sort((a, b) => a.dueAt - b.dueAt || STATE_ORDER.indexOf(a.state) - STATE_ORDER.indexOf(b.state) || a.number - b.number)
  const done = asking
    .filter((item) => item.state === 'done')
    .sort((a, b) => (b.finishedAt ?? 0) - (a.finishedAt ?? 0))
    .slice(0, DONE_SHOWN)
  return { today, waiting, done, atHand: atHand.sort((a, b) => a.number - b.number), ...found, toConfirm, toJudge }
}
