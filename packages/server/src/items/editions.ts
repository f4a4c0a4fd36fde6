import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Attributes } from 'sequelize'
import type { Db } from '../db'
import { EDITION, EDITION_PART, ITEM, type EditionPartRow } from './model'
import { countPartsSeen } from './progress'

/** An edition without its bytes. */
export type EditionFacts = {
  number: number
  revision: number
  change_note: string
  must_reread: boolean
  published_at: Date
  parts: number
  minutes: number
  publisher_id: PersonId
  publisher: string
}
const FACTS = `e.number, e.revision, e.change_note, e.must_reread, e.published_at, e.parts, e.minutes, e.published_by as publisher_id, p.name as publisher`
const FROM = `from edition e join person p on p.id = e.published_by where e.item_kind = $1 and e.item_id = $2`

/** An edition of an item. */
export const findEdition = (db: Db, { kind, id }: ItemRef, number: number): Promise<(EditionFacts & { bytes: string }) | undefined> =>
  db.one(`select ${FACTS}, e.bytes ${FROM} and e.number = $3`, [kind, id, number])
/** All editions of an item, the newest first. */
export const listEditions = (db: Db, { kind, id }: ItemRef): Promise<EditionFacts[]> =>
  db.rows(`select ${FACTS} ${FROM} order by e.number desc`, [kind, id])
/** The state of the draft that an edition froze. */
export const revisionOfEdition = async (db: Db, { kind, id }: ItemRef, number: number): Promise<number | undefined> =>
  (await db.in(EDITION).one({ itemKind: kind, itemId: id, number }, { only: ['revision'] }))?.revision

/** A part of an edition as it is written down. */
type EditionPart = Omit<Attributes<EditionPartRow>, 'itemKind' | 'itemId' | 'edition'>
/** An edition that is to be written down. */
export type NewEdition = {
  number: number
  revision: number
  bytes: string
  hash: string
  title: string
  changeNote: string
  mustReread: boolean
  minutes: number
  parts: readonly EditionPart[]
  by: PersonId
  now: number
}

/** Writes an edition down with its parts; from then on the item is what this edition says. */
export async function addEdition(tx: Db, item: ItemRef, edition: NewEdition): Promise<void> {
  const { kind, id } = item
  const of = { itemKind: kind, itemId: id }
  const { number, revision, bytes, hash, title, changeNote, mustReread, minutes, parts } = edition
  await tx.in(EDITION).insert({
    ...of,
    number,
    revision,
    bytes,
    hash,
    changeNote,
    mustReread,
    parts: parts.length,
    minutes,
    publishedBy: edition.by,
    publishedAt: edition.now,
  })
  await tx.in(EDITION_PART).insertAll(parts.map((part) => ({ ...of, edition: number, ...part })))
  const counts = mustReread || number === 1 ? { requiredEdition: number } : {}
  await tx.in(ITEM).update({ edition: number, title, parts: parts.length, minutes, ...counts }, { kind, id })
  await countPartsSeen(tx, item)
}
