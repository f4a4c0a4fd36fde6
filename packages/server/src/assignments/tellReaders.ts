import type { Db } from '../db'
import { notify, takeBack, type Telling } from '../inbox'
import { ITEM } from '../items'
import { PERSON } from '../people'
import type { Assigned } from './assign'

/** Tells those who have been given an item, or have to read it anew, that it is there for them; what was told to those who no longer have it
 * is taken back. Who gave it knows already. */
export async function tellReaders(
  tx: Db,
  telling: Telling,
  { item, giver: by, archived, dated, lost }: Assigned,
  now: number,
): Promise<void> {
  if (archived) return
  const shown = await tx.in(ITEM).one({ kind: item.kind, id: item.id }, { only: ['title'] })
  const giver = await tx.in(PERSON).one({ id: by }, { only: ['name'] })
  const data = { title: shown?.title ?? '', by: giver?.name ?? '' }
  await takeBack(tx, 'must-read', item, lost)
  await notify(
    tx,
    telling,
    'must-read',
    item,
    dated.flatMap(({ personId, due }) => (personId === by ? [] : [{ personId, data: { ...data, due } }])),
    now,
  )
}
