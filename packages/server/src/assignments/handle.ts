import { dueFor, handledAs, type Handled, type Handling } from '@jackdaw/core/assignments'
import type { ItemRef } from '@jackdaw/core/items'
import { known, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Parts } from '../http'
import { notify, takeBackToDo } from '../inbox'
import { columnsOf, doneSql, ITEM, waitingSql } from '../items'
import { PERSON } from '../people'
import { dateAnew } from './dateAnew'
import { dueFactsOf } from './dueFacts'
import { WAIVER } from './model'
import { lockLines } from './settle'

type Line = { id: string; person_id: PersonId; name: string; done: boolean; waiting: boolean; waived: boolean; due_on: LocalDate | null }

const COLUMNS = columnsOf('null', 'null')
/** How the assignments of those among some people stand who are to do the item, by name. What is only looked up is not handled. */
const linesOf = (db: Db, { kind, id }: ItemRef, people: readonly PersonId[]): Promise<Line[]> =>
  db.rows<Line>(
    `select a.id, a.person_id, p.name, ${doneSql(COLUMNS)} as done, ${waitingSql(COLUMNS)} as waiting, a.waived_at is not null as waived, to_char(a.due_on, 'YYYY-MM-DD') as due_on
     from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id join person p on p.id = a.person_id and p.active
     left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
     where a.use = 'to-do' and a.item_kind = $1 and a.item_id = $2 and a.person_id = any ($3) order by p.name, p.id`,
    [kind, id, people],
  )

/** What comes of handling the assignments of some people: of each who has one, by name, and how many have none. `dueOn` is the day before it, `becomes` after it. */
export type HandledPeople = {
  people: { id: PersonId; name: string; outcome: Handled; dueOn: LocalDate | null; becomes: LocalDate | null }[]
  others: number
}

async function outcomesOf(db: Db, lines: readonly Line[], people: readonly PersonId[], handling: Handling): Promise<HandledPeople> {
  const facts = handling.what === 'move' ? await dueFactsOf(db, people) : null
  return {
    others: new Set(people).size - lines.length,
    people: lines.map((line) => {
      const { person_id: id, name, done, waiting, waived, due_on: dueOn } = line
      // Somebody who is away on that day has until they are back.
      const on = facts && handling.what === 'move' ? dueFor({ kind: 'date', date: handling.on }, 0, known(facts, id))!.on : null
      const outcome = handledAs({ done, waiting, waived, dueOn }, on === null ? handling : { what: 'move', on })
      return { id, name, outcome, dueOn, becomes: outcome === 'changes' && on !== null ? on : dueOn }
    }),
  }
}

/** What would come of it. */
export const lookAtHandling = async (db: Db, item: ItemRef, people: readonly PersonId[], handling: Handling): Promise<HandledPeople> =>
  outcomesOf(db, await linesOf(db, item, people), people, handling)

/** Handles the assignments of some people. What nothing comes of is left as it is. */
export async function handle(
  parts: Parts,
  item: ItemRef,
  people: readonly PersonId[],
  handling: Handling,
  by: PersonId,
  now: number,
): Promise<HandledPeople> {
  return parts.database.transaction(async (tx) => {
    await lockLines(tx, 'a.item_kind = $1 and a.item_id = $2 and a.person_id = any ($3)', [item.kind, item.id, people])
    const lines = await linesOf(tx, item, people)
    const handled = await outcomesOf(tx, lines, people, handling)
    const changing = handled.people.filter(({ outcome }) => outcome === 'changes').map(({ id }) => id)
    if (changing.length > 0) await carryOut(tx, parts, item, changing, handling, by, now)
    return handled
  })
}

async function carryOut(
  tx: Db,
  parts: Parts,
  item: ItemRef,
  people: readonly PersonId[],
  handling: Handling,
  by: PersonId,
  now: number,
): Promise<void> {
  const { kind, id } = item
  const ofThem = { itemKind: kind, itemId: id, personId: [...people] }
  const set = (columns: string, ...bind: unknown[]) =>
    tx.rows(`update assignment set ${columns} where item_kind = $1 and item_id = $2 and person_id = any ($3)`, [kind, id, people, ...bind])
  switch (handling.what) {
    case 'move':
      await set('moved_on = $4', handling.on)
      return dateAnew(tx, people, item)
    case 'waive':
      await set('waived_at = $4', new Date(now))
      await tx.in(WAIVER).insertAll(
        people.map((personId) => ({
          ...{ id: parts.newId<string>(), personId, itemKind: kind, itemId: id, why: handling.why },
          ...{ byId: by, at: now, endedAt: null, endedBy: null },
        })),
      )
      await takeBackToDo(tx, [{ about: item, people }])
      return
    case 'end-waiver':
      await set('waived_at = null')
      return void (await tx.in(WAIVER).update({ endedAt: now, endedBy: by }, { ...ofThem, endedAt: null }))
    case 'remind':
      return remind(tx, parts, item, people, by, now)
  }
}

/** Tells people that something waits for them. */
async function remind(tx: Db, parts: Parts, item: ItemRef, people: readonly PersonId[], by: PersonId, now: number): Promise<void> {
  const shown = await tx.in(ITEM).one({ kind: item.kind, id: item.id }, { only: ['title'] })
  const giver = await tx.in(PERSON).one({ id: by }, { only: ['name'] })
  const due = new Map((await linesOf(tx, item, people)).map((line) => [line.person_id, line.due_on]))
  const data = { title: shown?.title ?? '', by: giver?.name ?? '' }
  await notify(
    tx,
    parts,
    'reminded',
    item,
    people.map((personId) => ({ personId, data: { ...data, due: due.get(personId) ?? null } })),
    now,
  )
}
