import type { TodayItem } from '@jackdaw/contracts/reading'
import { readingState, type ReadingState } from '@jackdaw/core/assignments'
import type { GuideKind } from '@jackdaw/core/guides'
import { daysBetween, localDateAt, type GuideId, type LocalDate } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Caller } from '../http'

type Row = {
  guide_id: GuideId
  number: number
  title: string
  kind: GuideKind
  minutes: number
  steps: number
  seen: number
  edition: number
  required_edition: number
  due_on: LocalDate | null
  due_at: Date | null
  assigned_at: Date
  opened: boolean
  finished_edition: number | null
  finished_at: Date | null
}

const ORDER: readonly ReadingState[] = ['late', 'due-soon', 'out-of-date', 'in-progress', 'not-started', 'done']
const DONE_SHOWN = 20

/** What one person has been given: first what is late, then by due day; what is done apart, newest first. */
export async function todayOf(db: Db, caller: Caller, now: number): Promise<{ today: LocalDate; waiting: TodayItem[]; done: TodayItem[] }> {
  const rows = await db.rows<Row>(
    `select g.id as guide_id, g.number, g.published_title as title, g.kind, e.minutes, e.steps, e.number as edition, g.required_edition,
       (select count(*)::int from reading_step s join edition_step x on x.guide_id = s.guide_id and x.edition = e.number and x.step_id = s.step_id
         where s.guide_id = g.id and s.person_id = a.person_id and s.viewed_edition >= g.required_edition) as seen,
       to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.due_at, a.assigned_at, r.person_id is not null as opened, r.finished_edition, r.finished_at
     from assignment a join guide g on g.id = a.item_id and g.archived_at is null join edition e on e.guide_id = g.id and e.number = g.newest_edition
     left join reading r on r.guide_id = g.id and r.person_id = a.person_id
     where a.item_kind = 'guide' and a.person_id = $1`,
    [caller.id],
  )
  const today = localDateAt(now, caller.zone)
  const items = rows.map((row): TodayItem & { dueAt: number } => ({
    guideId: row.guide_id,
    number: row.number,
    title: row.title,
    kind: row.kind,
    minutes: row.minutes,
    steps: row.steps,
    seen: row.seen,
    edition: row.edition,
    state: readingState(
      {
        finishedEdition: row.finished_edition,
        requiredEdition: row.required_edition,
        opened: row.opened,
        dueAt: row.due_at?.getTime() ?? null,
      },
      now,
    ),
    dueOn: row.due_on,
    daysLeft: row.due_on === null ? null : daysBetween(today, row.due_on),
    finishedAt: row.finished_at?.getTime() ?? null,
    assignedAt: row.assigned_at.getTime(),
    dueAt: row.due_at?.getTime() ?? Number.MAX_SAFE_INTEGER,
  }))
  const waiting = items
    .filter((item) => item.state !== 'done')
    .sort((a, b) => a.dueAt - b.dueAt || ORDER.indexOf(a.state) - ORDER.indexOf(b.state) || a.number - b.number)
  const done = items
    .filter((item) => item.state === 'done')
    .sort((a, b) => (b.finishedAt ?? 0) - (a.finishedAt ?? 0))
    .slice(0, DONE_SHOWN)
  return { today, waiting, done }
}
