import type { BodyOf } from '@jackdaw/contracts/endpoint'
import type { beginVisit, getShared, sendGuestEvents } from '@jackdaw/contracts/sharing'
import { NEWEST_VERSION, readDocument } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import type { GuestVisitId, GuideId, PictureId, ShareLinkId } from '@jackdaw/core/shared'
import { forGuests, linkStanding, numberKey, type LinkAsks } from '@jackdaw/core/sharing'
import type { Request } from 'express'
import { keepPlan, type Db } from '../db'
import { seenBy, takeGuestEvents } from '../events'
import { findPicture } from '../files'
import { documentToSend, findLook } from '../guides'
import { fail, failField, type AnswerOf, type Parts } from '../http'
import { holdingEdition } from '../items'
import { sharingRules } from './rules'
import { GUEST_VISIT } from './model'
import { hashOf } from './links'

/** A link that holds, and the guide behind it. */
type Held = {
  id: ShareLinkId
  guide_id: GuideId
  asks_for: LinkAsks | null
  carries: string | null
  expires_at: Date | null
  revoked_at: Date | null
  archived: boolean
  /** Where it is there by an open folder: whether that still holds. */
  in_open_folder: boolean
  edition: number
  title: string
  zone: string
}
const HELD = keepPlan(
  'shared-link',
  `select l.id, l.guide_id, l.asks_for, l.carries, l.expires_at, l.revoked_at, i.archived_at is not null as archived, i.edition, i.title, site.zone,
     l.folder_id is null or exists (
       with recursive above as (
         select f.id, f.parent_id from guide g join folder f on f.id = g.folder_id where g.id = l.guide_id union select f.id, f.parent_id from folder f join above a on f.id = a.parent_id)
       select 1 from above a join folder f on f.id = a.id where f.id = l.folder_id and f.opened_at is not null and f.archived_at is null) as in_open_folder
   from share_link l join item i on i.kind = 'guide' and i.id = l.guide_id join person p on p.id = l.made_by join people_group site on site.id = p.site_id
   where l.token_hash = $1 and i.edition is not null`,
)

/** Finds where a link leads. Whoever has had a link that holds no more is told why; what was never one leads nowhere. */
async function heldLink(db: Db, token: string, now: number): Promise<Held> {
  const row = await db.one<Held>(HELD, [hashOf(token)])
  if (!row) return fail('not-found', 'This link leads nowhere. Ask whoever gave it to you for the whole of it.')
  const standing = linkStanding({ revokedAt: row.revoked_at?.getTime() ?? null, expiresAt: row.expires_at?.getTime() ?? null }, now)
  if (standing === 'revoked') return fail('not-found', 'This link has been taken back. Ask whoever gave it to you for a new one.')
  if (standing === 'expired') return fail('not-found', 'The days of this link are over. Ask whoever gave it to you for a new one.')
  if (row.archived)
    return fail('not-found', 'The guide behind this link is not in use any more. Ask whoever gave it to you what holds now.')
  if (!row.in_open_folder) return fail('not-found', 'This guide is not open to everybody any more.')
  if (!(await sharingRules(db)).anyone) return fail('not-found', 'Guides are not shown to guests any more. Ask whoever gave you the link.')
  return row
}

/** Whether a guest has named the number that the link asks for. */
const hasNamed = async (db: Db, { id, asks_for }: Held, visit: GuestVisitId | undefined): Promise<boolean> =>
  asks_for === null || (visit !== undefined && (await db.in(GUEST_VISIT).count({ id: visit, linkId: id })) > 0)

type Row = {
  number: number
  published_at: Date
  minutes: number
  bytes: string
  amended_at: Date | null
  has_quizzes: boolean
  pictures: Record<string, { widthPx: number; heightPx: number }>
}
const GUIDE_OF_GUESTS = keepPlan(
  'guide-of-guests',
  `select i.number, e.published_at, e.minutes, e.bytes,
     (select max(m.amended_at) from edition_amendment x join picture_amendment m on m.id = x.amendment_id where x.item_kind = i.kind and x.item_id = i.id and x.edition = e.number) as amended_at,
     exists (select 1 from guide_quiz x where x.guide_id = i.id and x.edition = e.number) as has_quizzes,
     (select coalesce(json_object_agg(v.picture_id, json_build_object('widthPx', v.width_px, 'heightPx', v.height_px)), '{}') from (
       select distinct on (v.picture_id) v.picture_id, v.width_px, v.height_px from picture_use u join picture_version v on v.picture_id = u.picture_id
       where u.item_kind = i.kind and u.item_id = i.id and u.edition = e.number order by v.picture_id, v.version desc) v) as pictures
   from item i join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = $2 where i.kind = 'guide' and i.id = $1`,
)

/** What a guest sees behind a link: the guide, or first what they have to name. */
export async function sharedBehind(
  db: Db,
  token: string,
  visit: GuestVisitId | undefined,
  now: number,
): Promise<AnswerOf<typeof getShared>> {
  const link = await heldLink(db, token, now)
  const { title, asks_for: asks, guide_id: guideId, edition } = link
  const look = await findLook(db)
  // Names of people stand nowhere on the page of a guest.
  const shown = { ...look, head: look.head.filter((fact) => fact !== 'owner') }
  if (!(await hasNamed(db, link, visit))) return { title, asks, look: shown, guide: null, document: null }
  const row = await db.one<Row>(GUIDE_OF_GUESTS, [guideId, edition])
  if (!row) return fail('not-found')
  const { bytes, number, minutes } = row
  return {
    ...{ title, asks, look: shown },
    guide: {
      ...{ guideId, number, edition, minutes, pictureSizes: row.pictures },
      publishedAt: row.published_at.getTime(),
      amendedAt: row.amended_at?.getTime() ?? null,
    },
    // Canonical JSON ends with its version.
    document: row.has_quizzes
      ? forGuests(readDocument(JSON.parse(bytes)))
      : documentToSend(bytes, bytes.endsWith(`"version":${NEWEST_VERSION}}`)),
  }
}

/** Begins a visit, or goes on with it. */
async function visiting(db: Db, link: Held, id: GuestVisitId, number: string | null, now: number): Promise<void> {
  const { guide_id: guideId, edition } = link
  const numberNow = link.carries ?? number
  await db.in(GUEST_VISIT).insertAll(
    [
      {
        id,
        linkId: link.id,
        guideId,
        edition,
        number: numberNow,
        numberKey: numberNow === null ? null : numberKey(numberNow),
        beganAt: now,
      },
    ],
    { skip: true },
  )
  if ((await db.in(GUEST_VISIT).count({ id, linkId: link.id })) === 0) failField('/body/visit', 'This visit is another one’s.')
}

export async function begin(db: Db, token: string, { visit, number }: BodyOf<typeof beginVisit>, now: number): Promise<void> {
  const link = await heldLink(db, token, now)
  if (link.asks_for !== null && number === null) failField('/body/number', 'Name the number first.')
  await visiting(db, link, visit, link.asks_for === null ? null : number, now)
}

export async function takeEvents(
  { database: db }: Parts,
  token: string,
  { visit, ...batch }: BodyOf<typeof sendGuestEvents>,
  req: Request,
  now: number,
) {
  const link = await heldLink(db, token, now)
  if (!(await hasNamed(db, link, visit))) return failField('/body/visit', 'Name the number first.')
  await visiting(db, link, visit, null, now)
  return takeGuestEvents(db, { id: visit, item: guideItem(link.guide_id), zone: link.zone, seen: seenBy(req) }, batch, now)
}

/** A picture of the guide behind a link. */
export async function pictureBehind(
  db: Db,
  token: string,
  { edition, pictureId, visit }: { edition: number; pictureId: PictureId; visit: GuestVisitId | undefined },
  now: number,
) {
  const link = await heldLink(db, token, now)
  if (!(await hasNamed(db, link, visit))) return undefined
  return findPicture(db, guideItem(link.guide_id), pictureId, edition)
}

/** Whether the edition that a guest reads still holds. */
export async function holdingBehind(db: Db, token: string, edition: number, now: number) {
  const { guide_id: id } = await heldLink(db, token, now)
  return (await holdingEdition(db, guideItem(id), edition)) ?? fail('not-found')
}
