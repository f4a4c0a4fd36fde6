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
  withdrawn_at: Date | null
  withdrawn_why: string | null
}
const FACTS = `e.number, e.revision, e.change_note, e.must_reread, e.published_at, e.parts, e.minutes, e.published_by as publisher_id, p.name as publisher, e.withdrawn_at, e.withdrawn_why`
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

/** Number of the next edition of an item: also of one that was withdrawn the number is not given again. */
export async function nextEdition(db: Db, { kind, id }: ItemRef): Promise<number> {
  const { last } = (await db.one<{ last: number }>(
    'select coalesce(max(number), 0) as last from edition where item_kind = $1 and item_id = $2',
    [kind, id],
  ))!
  return last + 1
}

/** Withdraws an edition: the newest of the others that are not withdrawn holds from now on, and what counts as done is what counted for it.
 * @returns the number of the edition that holds; `null`, and nothing is done, where none would */
export async function withdrawEdition(
  tx: Db,
  item: ItemRef,
  number: number,
  { by, why, now }: { by: PersonId; why: string; now: number },
): Promise<number | null> {
  const { kind, id } = item
  const held = await tx.rows<{ number: number; must_reread: boolean; parts: number; minutes: number; title: string }>(
    `select number, must_reread, parts, minutes, case when row_number() over (order by number desc) = 1 then bytes::jsonb ->> 'title' end as title from edition
     where item_kind = $1 and item_id = $2 and withdrawn_at is null and number <> $3 order by number desc`,
    [kind, id, number],
  )
  const [holds] = held
  if (!holds) return null
  await tx.in(EDITION).update({ withdrawnAt: now, withdrawnBy: by, withdrawnWhy: why }, { itemKind: kind, itemId: id, number })
  const { number: edition, title, parts, minutes } = holds
  const requiredEdition = held.find((each) => each.must_reread)?.number ?? 1
  await tx.in(ITEM).update({ edition, title, parts, minutes, requiredEdition }, { kind, id })
  await countPartsSeen(tx, item)
  return edition
}

/** Which edition of an item holds, and why another one does not. @param shown number of the one that somebody has before them */
export async function holdingEdition(
  db: Db,
  { kind, id }: ItemRef,
  shown: number,
): Promise<{ edition: number; withdrawn: { why: string } | null } | null> {
  const row = await db.one<{ edition: number; withdrawn_at: Date | null; withdrawn_why: string | null }>(
    `select i.edition, e.withdrawn_at, e.withdrawn_why from item i left join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = $3
     where i.kind = $1 and i.id = $2 and i.edition is not null and i.archived_at is null`,
    [kind, id, shown],
  )
  return row ? { edition: row.edition, withdrawn: row.withdrawn_at === null ? null : { why: row.withdrawn_why ?? '' } } : null
}
