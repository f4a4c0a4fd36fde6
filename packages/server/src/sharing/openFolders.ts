import { createHmac } from 'node:crypto'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { getOpenFolder } from '@jackdaw/contracts/sharing'
import type { FolderId, GuideId, PersonId, ShareLinkId } from '@jackdaw/core/shared'
import { Op } from 'sequelize'
import type { Db } from '../db'
import { findLook } from '../guides'
import { fail, type Caller, type Parts } from '../http'
import { FOLDER } from '../library'
import { hashOf } from './links'
import { SHARE_LINK } from './model'
import { sharingRules } from './rules'

const addressOfFolder = (publicUrl: string, id: FolderId): string => `${publicUrl}/open/${id}`

const living = async (db: Db, id: FolderId) =>
  (await db.in(FOLDER).one({ id, archivedAt: null })) ?? fail('not-found', 'There is no such folder any more.')

/** Whether a folder is open to anyone, and where. */
export async function folderOpen({ database: db, config }: Parts, id: FolderId) {
  const { openedAt } = await living(db, id)
  return { anyone: (await sharingRules(db)).anyone, address: openedAt === null ? null : addressOfFolder(config.publicUrl, id) }
}

/** Opens a folder to anyone, or closes it. */
export async function setFolderOpen({ database: db, config }: Parts, caller: Caller, id: FolderId, open: boolean, now: number) {
  await living(db, id)
  if (open && !(await sharingRules(db)).anyone) return fail('no-guests', 'An admin has to allow them first, on the page “Guests”.')
  await db.in(FOLDER).update(open ? { openedAt: now, openedBy: caller.id } : { openedAt: null, openedBy: null }, { id })
  return { address: open ? addressOfFolder(config.publicUrl, id) : null }
}

/** The token of the link to a guide by an open folder: the same at every time, so that it need not be kept. */
const tokenOf = (secret: string, folder: FolderId, guide: GuideId): string =>
  createHmac('sha256', secret).update(`open folder ${folder} ${guide}`).digest('base64url').slice(0, 32)

type Row = { id: GuideId; number: number; title: string; minutes: number }
/** The start page of an open folder. Links to its guides are made as they come to stand on it. */
export async function openFolderPage(
  { database: db, config, newId }: Parts,
  id: FolderId,
  now: number,
): Promise<ResponseOf<typeof getOpenFolder>> {
  const folder = await db.in(FOLDER).one({ id, archivedAt: null, openedAt: { [Op.ne]: null } })
  if (!folder?.openedBy || !(await sharingRules(db)).anyone) return fail('not-found', 'There is no folder here that is open to everybody.')
  const guides = await db.rows<Row>(
    `with recursive below as (
       select f.id from folder f where f.id = $1 union select f.id from folder f join below b on f.parent_id = b.id where f.archived_at is null)
     select g.id, i.number, i.title, i.minutes from guide g join item i on i.kind = 'guide' and i.id = g.id
     where g.folder_id in (select id from below) and i.edition is not null and i.archived_at is null order by i.title, i.number limit 2000`,
    [id],
  )
  const links = guides.map((guide) => ({ ...guide, token: tokenOf(config.sessionSecret, id, guide.id) }))
  await keepLinks(
    db,
    id,
    folder.openedBy,
    links.map(({ id: guideId, token }) => ({ guideId, hash: hashOf(token) })),
    newId,
    now,
  )
  const { name } = folder
  const look = await findLook(db)
  return {
    name,
    look: { ...look, head: look.head.filter((fact) => fact !== 'owner') },
    guides: links.map(({ number, title, minutes, token }) => ({ number, title, minutes, address: `/l/${token}` })),
  }
}

/** Has the links there that are not yet. */
async function keepLinks(
  db: Db,
  folderId: FolderId,
  by: PersonId,
  links: readonly { guideId: GuideId; hash: string }[],
  newId: Parts['newId'],
  now: number,
): Promise<void> {
  const kept = await db.in(SHARE_LINK).find({ folderId }, { only: ['tokenHash'] })
  const known = new Set(kept.map((row) => row.tokenHash))
  const missing = links.filter(({ hash }) => !known.has(hash))
  if (missing.length === 0) return
  await db.rows(
    `insert into share_link (id, token_hash, guide_id, folder_id, made_by, made_at)
     select x.id, x.hash, x.guide, $1, $2, $3 from unnest($4::text[], $5::text[], $6::text[]) as x (id, hash, guide)
     on conflict (folder_id, guide_id) where folder_id is not null do update set token_hash = excluded.token_hash`,
    [
      folderId,
      by,
      new Date(now),
      missing.map(() => newId<ShareLinkId>()),
      missing.map(({ hash }) => hash),
      missing.map(({ guideId }) => guideId),
    ],
  )
}
