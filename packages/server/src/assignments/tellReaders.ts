import { itemKey, itemRefOf } from '@jackdaw/core/items'
import { known } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { notifyOfMany, takeBackToDo, type Telling } from '../inbox'
import { ITEM } from '../items'
import { PERSON } from '../people'
import type { Assigned } from './assign'

/** Tells those who have been given items, or have to do them anew, that these are there for them; what was told to those who no longer have them
 * is taken back. Who gave something knows already. */
export async function tellReaders(tx: Db, telling: Telling, all: readonly Assigned[], now: number): Promise<void> {
  const told = all.filter(({ archived }) => !archived)
  if (told.length === 0) return
  await takeBackToDo(
    tx,
    told.map(({ item: about, lost: people }) => ({ about, people })),
  )
  const [titles, names] = [
    await tx.in(ITEM).find({ id: [...new Set(told.map(({ item }) => item.id))] }, { only: ['kind', 'id', 'title'] }),
    await tx.in(PERSON).find({ id: [...new Set(told.map(({ giver }) => giver))] }, { only: ['id', 'name'] }),
  ]
  const [titleOf, nameOf] = [
    new Map(titles.map(({ kind, id, title }) => [itemKey(itemRefOf(kind, id)), title ?? ''])),
    new Map(names.map(({ id, name }) => [id, name])),
  ]
  const dataOf = ({ item, giver }: Assigned) => ({ title: known(titleOf, itemKey(item)), by: known(nameOf, giver) })
  await notifyOfMany(
    tx,
    telling,
    'to-do',
    told.flatMap((each) =>
      each.dated.flatMap(({ personId, due }) =>
        personId === each.giver ? [] : [{ about: each.item, personId, data: { ...dataOf(each), due } }],
      ),
    ),
    now,
  )
  await notifyOfMany(
    tx,
    telling,
    'to-look-up',
    told.flatMap((each) =>
      each.shown.flatMap((personId) => (personId === each.giver ? [] : [{ about: each.item, personId, data: dataOf(each) }])),
    ),
    now,
  )
}
