import { randomBytes } from 'node:crypto'
import type { UsageEvent } from '@jackdaw/core/players'
import { guideItem } from '@jackdaw/core/items'
import type { GuestVisitId, GuideId, PersonId, ShareLinkId } from '@jackdaw/core/shared'
import { numberKey, type LinkAsks } from '@jackdaw/core/sharing'
import type { Db } from '../db'
import { takeGuestEvents } from '../events'
import { fail } from '../http'
import { hashOf } from './links'
import { GUEST_VISIT, SHARE_LINK } from './model'

/** A link of the demo company, whose address nobody knows. */
export const keepLink = (
  db: Db,
  { id, guideId, asksFor, by, now }: { id: ShareLinkId; guideId: GuideId; asksFor: LinkAsks | null; by: PersonId; now: number },
) =>
  db.in(SHARE_LINK).insert({
    ...{ id, tokenHash: hashOf(randomBytes(24).toString('base64url')), guideId, asksFor, carries: null },
    ...{ madeBy: by, madeAt: now, expiresAt: null },
  })

type Visit = { linkId: ShareLinkId; visit: GuestVisitId; number: string; now: number; events: readonly UsageEvent[] }
/** A visit of the past, with what happened in it. */
export async function addVisit(db: Db, { linkId, visit, number, now, events }: Visit): Promise<void> {
  const link = (await db.in(SHARE_LINK).one({ id: linkId }, { only: ['guideId'] })) ?? fail('not-found')
  const item = guideItem(link.guideId)
  const began = events[0]?.occurredAt ?? now
  await db
    .in(GUEST_VISIT)
    .insert({ id: visit, linkId, guideId: link.guideId, edition: 1, number, numberKey: numberKey(number), beganAt: began })
  const seen = { device: 'phone', browser: null, language: null }
  await takeGuestEvents(db, { id: visit, item, zone: 'Europe/London', seen }, { sentAt: now, events }, now)
}
