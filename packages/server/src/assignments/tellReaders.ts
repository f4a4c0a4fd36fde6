import type { Db } from '../db'
import { notify, takeBackToDo, type Telling } from '../inbox'
import { ITEM } from '../items'
import { PERSON } from '../people'
import type { Assigned } from './assign'

/** Tells those who have been given an item, or have to do it anew, that it is there for them; what was told to those who no longer have it
 * is taken back. Who gave it knows already. */
export async function tellReaders(
  tx: Db,
  telling: Telling,
  { item, giver: by, archived, dated, shown, lost }: Assigned,
  now: number,
): Promise<void> {
  if (archived) return
  const row = await tx.in(ITEM).one({ kind: item.kind, id: item.id }, { only: ['title'] })
  const giver = await tx.in(PERSON).one({ id: by }, { only: ['name'] })
  const data = { title: row?.title ?? '', by: giver?.name ?? '' }
  await takeBackToDo(tx, item, lost)
  const others = dated.filter(({ personId }) => personId !== by)
  await notify(
    tx,
    telling,
    'must-read',
    item,
    others.map(({ personId, due }) => ({ personId, data: { ...data, due } })),
    now,
  )
  await notify(
    tx,
    telling,
    'to-look-up',
    item,
    shown.flatMap((personId) => (personId === by ? [] : [{ personId, data }])),
    now,
  )
}
