import type { getTaskDraft, HandIn, TaskRow, ToConfirm } from '@jackdaw/contracts/tasks'
import { MOST_TO_CONFIRM } from '@jackdaw/contracts/tasks'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { LineFor } from '@jackdaw/core/assignments'
import { STATE_ORDER, taskItem, type ItemState } from '@jackdaw/core/items'
import { nth, type GroupId, type HandInId, type LocalDate, type PersonId, type PictureId, type TaskId } from '@jackdaw/core/shared'
import type { HandInAnswer, TaskDocument } from '@jackdaw/core/tasks'
import { keepPlan, type Db } from '../db'
import { fail } from '../http'
import { columnsOf, doneSql, ITEM, stateParams, stateRankSql, waitingSql } from '../items'
import { GROUP } from '../people'
import { TASK } from './model'
import { roleOf } from './writing'

const COLUMNS = columnsOf('null', 'null')
/** The name of a role; `null` for none. */
const roleName = async (db: Db, id: GroupId | null): Promise<string | null> =>
  id === null ? null : ((await db.in(GROUP).one({ id }, { only: ['name'] }))?.name ?? null)
/** The name of the role that confirms a task; `null` where none does. */
export const roleNameOf = (db: Db, document: TaskDocument): Promise<string | null> => roleName(db, roleOf(document))

/** The tasks that somebody may edit, those changed last on top. */
export async function tasksOf(db: Db, caller: PersonId, archived: boolean): Promise<TaskRow[]> {
  type Row = Omit<TaskRow, 'owner' | 'changedAt'> & { owner_id: PersonId; owner: string; changed_at: Date }
  const rows = await db.rows<Row>(
    `select t.id, t.number, t.document ->> 'title' as title, (t.document ->> 'minutes')::int as minutes, o.id as owner_id, o.name as owner, i.edition,
       i.edition is not null and e.revision <> t.revision as changed, i.archived_at is not null as archived, t.changed_at, coalesce(x.people, 0) as people, coalesce(x.waiting, 0) as waiting, coalesce(x.done, 0) as done
     from task t join item i on i.kind = 'task' and i.id = t.id join person o on o.id = t.owner_id left join edition e on e.item_kind = 'task' and e.item_id = t.id and e.number = i.edition
     left join lateral (
       select count(*)::int as people, count(*) filter (where ${doneSql(COLUMNS)})::int as done, count(*) filter (where not ${doneSql(COLUMNS)} and ${waitingSql(COLUMNS)})::int as waiting
       from assignment a left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
       where a.item_kind = 'task' and a.item_id = t.id and a.use = 'to-do') x on true
     where (i.archived_at is not null) = $2 and exists (select 1 from item_access v where v.person_id = $1 and v.item_kind = 'task' and v.item_id = t.id and v.why in ('own', 'any'))
     order by t.changed_at desc, t.id limit 1000`,
    [caller, archived],
  )
  return rows.map(({ owner_id, owner, changed_at, ...row }) => ({
    ...row,
    owner: { id: owner_id, name: owner },
    changedAt: changed_at.getTime(),
  }))
}

/** What a task says at the moment. */
export async function draftOf(db: Db, id: TaskId): Promise<Omit<ResponseOf<typeof getTaskDraft>, 'mayPublish'>> {
  const [task, item] = [(await db.in(TASK).one({ id })) ?? fail('not-found'), (await db.in(ITEM).one(taskItem(id))) ?? fail('not-found')]
  const { number, revision, document } = task
  const row = await db.one<{ revision: number }>("select revision from edition where item_kind = 'task' and item_id = $1 and number = $2", [
    id,
    item.edition,
  ])
  return {
    ...{ id, number, revision, document, role: await roleNameOf(db, document) },
    ...{ edition: item.edition, changed: row?.revision !== revision, archived: item.archivedAt !== null },
  }
}

/** How far somebody is with a task. */
export async function stateOfTask(
  db: Db,
  id: TaskId,
  personId: PersonId,
  now: number,
): Promise<{ state: ItemState; use: LineFor | null; dueOn: LocalDate | null }> {
  const row = await db.one<{ rank: number; use: LineFor | null; due_on: LocalDate | null }>(
    `select ${stateRankSql(columnsOf('$3', '$4'))} as rank, a.use, to_char(a.due_on, 'YYYY-MM-DD') as due_on
     from item i left join assignment a on a.item_kind = i.kind and a.item_id = i.id and a.person_id = $2
     left join item_progress r on r.item_kind = i.kind and r.item_id = i.id and r.person_id = $2 where i.kind = 'task' and i.id = $1`,
    [id, personId, ...stateParams(now)],
  )
  return row ? { state: nth(STATE_ORDER, row.rank), use: row.use, dueOn: row.due_on } : fail('not-found')
}

type HandInRow = {
  id: HandInId
  edition: number
  words: string
  picture_id: PictureId | null
  at: Date
  answer: HandInAnswer | null
  answered_at: Date | null
  answered_by: PersonId | null
  answerer: string | null
  reason: string
  asked: { id: PersonId; name: string }[] | null
}
/** All that somebody has handed in of a task, the newest on top. */
export async function handInsOf(db: Db, task: TaskId, personId: PersonId): Promise<HandIn[]> {
  const rows = await db.rows<HandInRow>(
    `select h.id, h.edition, h.words, h.picture_id, h.at, h.answer, h.answered_at, h.answered_by, q.name as answerer, h.reason,
       (select json_agg(json_build_object('id', p.id, 'name', p.name) order by p.name) from hand_in_asked a join person p on p.id = a.person_id where a.hand_in_id = h.id) as asked
     from hand_in h left join person q on q.id = h.answered_by where h.task_id = $1 and h.person_id = $2 order by h.at desc, h.id limit 100`,
    [task, personId],
  )
  return rows.map(({ id, edition, words, reason, answer, ...row }) => ({
    ...{ id, edition, words, reason, answer, hasPhoto: row.picture_id !== null, at: row.at.getTime() },
    answeredAt: row.answered_at?.getTime() ?? null,
    answeredBy: row.answered_by !== null && row.answerer !== null ? { id: row.answered_by, name: row.answerer } : null,
    asked: row.asked ?? [],
  }))
}

/** How much somebody is asked to confirm. */
export const countToConfirm = async (db: Db, personId: PersonId): Promise<number> =>
  (await db.one<{ count: number }>(TO_CONFIRM, [personId]))!.count
const TO_CONFIRM = keepPlan('count-to-confirm', 'select count(*)::int as count from hand_in_asked where person_id = $1')

type ToConfirmRow = {
  id: HandInId
  task_id: TaskId
  number: number
  title: string
  bytes: string
  person_id: PersonId
  name: string
  site: string
  words: string
  has_photo: boolean
  at: Date
  due_on: LocalDate | null
  count: number
}
/** What somebody is asked to confirm, what waits longest on top. */
export async function toConfirm(db: Db, personId: PersonId): Promise<{ count: number; rows: ToConfirm[] }> {
  const rows = await db.rows<ToConfirmRow>(
    `select h.id, h.task_id, i.number, i.title, e.bytes, p.id as person_id, p.name, s.name as site, h.words, h.picture_id is not null as has_photo, h.at, to_char(a.due_on, 'YYYY-MM-DD') as due_on,
       count(*) over ()::int as count
     from hand_in_asked x join hand_in h on h.id = x.hand_in_id and h.answer is null join item i on i.kind = 'task' and i.id = h.task_id
     join edition e on e.item_kind = 'task' and e.item_id = h.task_id and e.number = h.edition join person p on p.id = h.person_id join people_group s on s.id = p.site_id
     left join assignment a on a.item_kind = 'task' and a.item_id = h.task_id and a.person_id = h.person_id
     where x.person_id = $1 order by h.at, h.id limit ${MOST_TO_CONFIRM}`,
    [personId],
  )
  return {
    count: rows[0]?.count ?? 0,
    rows: rows.map(({ id, task_id, number, title, bytes, person_id, name, site, words, has_photo: hasPhoto, at, due_on: dueOn }) => ({
      ...{ id, words, hasPhoto, dueOn, at: at.getTime() },
      task: { id: task_id, number, title, words: (JSON.parse(bytes) as TaskDocument).words },
      person: { id: person_id, name, site },
    })),
  }
}
