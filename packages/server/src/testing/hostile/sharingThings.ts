import { createHash, randomBytes } from 'node:crypto'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { START, type TestServer } from '../testServer'

/** A link by which guests come to a guide, in a company that allows it. */
export async function aShareLink(
  { parts: { database } }: TestServer,
  { guideId, madeBy, asksFor = null }: { guideId: string; madeBy: string; asksFor?: string | null },
): Promise<{ id: string; token: string }> {
  const token = randomBytes(24).toString('base64url')
  const id = nanoid()
  await database.rows(
    `insert into setting (key, value) values ('sharing', '{"anyone": true, "frames": []}') on conflict (key) do update set value = excluded.value`,
  )
  const hash = createHash('sha256').update(token).digest('hex')
  await database.rows('insert into share_link (id, token_hash, guide_id, asks_for, made_by, made_at) values ($1, $2, $3, $4, $5, $6)', [
    id,
    hash,
    guideId as GuideId,
    asksFor,
    madeBy as PersonId,
    new Date(START),
  ])
  return { id, token }
}

/** A folder. @param openedBy who opened it to everybody; without them it is closed */
export async function aFolder({ parts: { database } }: TestServer, openedBy: string | null = null): Promise<string> {
  const id = nanoid()
  await database.rows('insert into folder (id, name, created_at, opened_at, opened_by) values ($1, $2, $3, $4, $5)', [
    ...[id, 'Gate', new Date(START)],
    ...[openedBy === null ? null : new Date(START), openedBy],
  ])
  return id
}

/** A second edition of a guide that has one, which says the same. */
export async function anotherEdition({ parts: { database } }: TestServer, guideId: string): Promise<void> {
  const id = [guideId]
  await database.rows(
    `insert into edition (item_kind, item_id, number, revision, bytes, hash, change_note, must_reread, parts, minutes, published_by, published_at)
     select item_kind, item_id, 2, revision, bytes, hash, 'Again', false, parts, minutes, published_by, published_at from edition where item_id = $1 and number = 1 on conflict do nothing`,
    id,
  )
  await database.rows(
    `insert into edition_part (item_kind, item_id, edition, part_id, position, section, name, caution, least_ms) select e.item_kind, e.item_id, 2, e.part_id, e.position, e.section, e.name, e.caution, e.least_ms from edition_part e where e.item_id = $1 and e.edition = 1 on conflict do nothing`,
    id,
  )
  await database.rows('update edition set withdrawn_at = null where item_id = $1', id)
  await database.rows('update item set edition = 2 where id = $1', id)
}
