import { createHash, randomBytes } from 'node:crypto'
import { MOST_LINKS, type createLink, type listLinks, type GuestVisit, type ShareLink } from '@jackdaw/contracts/sharing'
import type { BodyOf, ResponseOf } from '@jackdaw/contracts/endpoint'
import { endOfLocalDay, type GuestVisitId, type GuideId, type ShareLinkId } from '@jackdaw/core/shared'
import { numberKey, type LinkAsks } from '@jackdaw/core/sharing'
import { Op } from 'sequelize'
import type { Db } from '../db'
import { findFacts } from '../guides'
import { fail, failField, said, type Caller, type Parts } from '../http'
import { SHARE_LINK } from './model'
import { sharingRules } from './rules'

/** What is kept of a link's token. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

type LinkRow = {
  id: ShareLinkId
  folder: string | null
  asks_for: LinkAsks | null
  carries: string | null
  made_by: string
  made_at: Date
  expires_at: Date | null
  revoked_at: Date | null
  visits: number
  finished: number
  last_at: Date | null
}
/** The links of a guide with how they were used, those that hold first. */
async function linksOf(db: Db, id: GuideId): Promise<ShareLink[]> {
  const rows = await db.rows<LinkRow>(
    `select l.id, f.name as folder, l.asks_for, l.carries, p.name as made_by, l.made_at, l.expires_at, l.revoked_at, used.*
     from share_link l join person p on p.id = l.made_by left join folder f on f.id = l.folder_id,
       lateral (select count(*)::int as visits, max(v.began_at) as last_at,
         count(*) filter (where exists (select 1 from event e where e.subject_kind = 'guest' and e.subject_id = v.id and e.verb = 'finished'))::int as finished
         from guest_visit v where v.link_id = l.id) used
     where l.guide_id = $1 order by l.revoked_at is not null, l.made_at desc, l.id limit 1000`,
    [id],
  )
  const at = (date: Date | null) => date?.getTime() ?? null
  return rows.map((row) => ({
    ...{ id: row.id, folder: row.folder, asksFor: row.asks_for, carries: row.carries, madeBy: row.made_by, madeAt: row.made_at.getTime() },
    ...{
      expiresAt: at(row.expires_at),
      revokedAt: at(row.revoked_at),
      visits: row.visits,
      finished: row.finished,
      lastAt: at(row.last_at),
    },
  }))
}

/** All that the page of a guide's links shows. */
export async function linksPage(db: Db, id: GuideId): Promise<ResponseOf<typeof listLinks>> {
  const row = await db.one<{ title: string; published: boolean }>(
    `select g.title, i.edition is not null and i.archived_at is null as published from guide g join item i on i.kind = 'guide' and i.id = g.id where g.id = $1`,
    [id],
  )
  if (!row) return fail('not-found')
  return { ...row, anyone: (await sharingRules(db)).anyone, links: await linksOf(db, id) }
}

/** Makes a link to a guide that is published. @returns its address, which is said this once */
export async function makeLink(
  { database: db, config, newId }: Parts,
  caller: Caller,
  id: GuideId,
  { asksFor, carries, expiresOn }: BodyOf<typeof createLink>,
  now: number,
): Promise<ResponseOf<typeof createLink>> {
  if (!(await sharingRules(db)).anyone) return fail('no-guests', 'An admin has to allow them first, on the page “Guests”.')
  const facts = await findFacts(db, id)
  if (!facts || facts.newestEdition === null || facts.archived)
    return fail('not-published', 'Guests read what is published. Publish the guide first.')
  if (asksFor !== null && carries !== null) failField('/body/carries', 'A link asks for a number or carries one, not both.')
  const expiresAt = expiresOn === null ? null : endOfLocalDay(expiresOn, caller.zone)
  if (expiresAt !== null && expiresAt <= now) failField('/body/expiresOn', 'The day is over already.')
  const linkId = newId<ShareLinkId>()
  const token = randomBytes(24).toString('base64url')
  await db.transaction(async (tx) => {
    await tx.rows('select 1 from guide where id = $1 for update', [id])
    const held = await tx
      .in(SHARE_LINK)
      .count({ guideId: id, folderId: null, revokedAt: null, expiresAt: { [Op.or]: [{ [Op.is]: null }, { [Op.gt]: now }] } })
    if (held >= MOST_LINKS)
      fail('invalid', said('This guide has {{most}} links already. Revoke one that is not needed any more.', { most: MOST_LINKS }))
    await tx
      .in(SHARE_LINK)
      .insert({ id: linkId, tokenHash: hashOf(token), guideId: id, asksFor, carries, madeBy: caller.id, madeAt: now, expiresAt })
  })
  return { id: linkId, address: `${config.publicUrl}/l/${token}` }
}

/** Ends a link at once; one that is ended stays so. That of an open folder ends with the folder. */
export async function revoke(db: Db, id: GuideId, linkId: ShareLinkId, now: number): Promise<void> {
  const row = await db.in(SHARE_LINK).one({ id: linkId, guideId: id, folderId: null }, { only: ['id'] })
  if (!row) return fail('not-found')
  await db.in(SHARE_LINK).update({ revokedAt: now }, { id: linkId, revokedAt: null })
}

type VisitRow = {
  id: GuestVisitId
  number: string | null
  edition: number
  began_at: Date
  seen: number
  active_ms: number
  finished_at: Date | null
}
/** The last visits of guests to a guide, or those under a number. */
export async function visitsOf(db: Db, id: GuideId, number: string): Promise<GuestVisit[]> {
  const wanted = numberKey(number)
  const rows = await db.rows<VisitRow>(
    `select v.id, v.number, v.edition, v.began_at, used.* from guest_visit v,
       lateral (select count(distinct e.part_id) filter (where e.verb = 'step-viewed')::int as seen, coalesce(sum(e.active_ms), 0)::float8 as active_ms,
         min(e.occurred_at) filter (where e.verb = 'finished') as finished_at from event e where e.subject_kind = 'guest' and e.subject_id = v.id) used
     where v.guide_id = $1 and ($2 = '' or v.number_key = $2) order by v.began_at desc, v.id limit 200`,
    [id, wanted],
  )
  return rows.map((row) => ({
    ...{ id: row.id, number: row.number, edition: row.edition, beganAt: row.began_at.getTime(), seen: row.seen },
    ...{ activeMs: Math.round(row.active_ms), finishedAt: row.finished_at?.getTime() ?? null },
  }))
}
