import { Look } from '@jackdaw/core/guides'
import { UsageEvent } from '@jackdaw/core/players'
import { FolderId, GuestVisitId, GuideId, Instant, LocalDate, PictureId, ShareLinkId } from '@jackdaw/core/shared'
import { LinkAsks, UseNumber } from '@jackdaw/core/sharing'
import * as z from 'zod/mini'
import { EditionInAddress, endpoint } from './endpoint'
import { StoredDocument } from './guides'
import { PictureSize } from './pictures'
import { Holding, RefusedEvent } from './reading'

/** Most sites on which guides may be shown in a frame, and most links of a guide that hold at once. */
export const MOST_FRAMES = 20
export const MOST_LINKS = 200

/** What the company allows: links that anyone may use who has them, and the sites that may show guides in a frame, by their origins. */
export const SharingRules = z.object({
  anyone: z.boolean(),
  frames: z.array(z.string().check(z.minLength(1), z.maxLength(300))).check(z.maxLength(MOST_FRAMES)),
})
/** Read by {@link SharingRules}. */
export type SharingRules = z.infer<typeof SharingRules>
export const getSharingRules = endpoint({
  method: 'get',
  path: '/api/sharing',
  access: { may: 'company.change' },
  response: SharingRules,
  problems: [],
})
export const saveSharingRules = endpoint({
  method: 'put',
  path: '/api/sharing',
  access: { may: 'company.change' },
  body: SharingRules,
  response: SharingRules,
  problems: ['invalid'],
})

/** Opens a folder to anyone, or closes it again. `address`: where its start page is. */
export const openFolder = endpoint({
  method: 'put',
  path: '/api/folders/:folderId/open',
  access: { may: 'folder.open' },
  params: z.object({ folderId: FolderId }),
  body: z.object({ open: z.boolean() }),
  response: z.object({ address: z.nullable(z.string()) }),
  problems: ['not-found', 'no-guests', 'invalid'],
})
/** Whether a folder is open. `anyone`: whether the company allows that. */
export const getFolderOpen = endpoint({
  method: 'get',
  path: '/api/folders/:folderId/open',
  access: { may: 'folder.open' },
  params: z.object({ folderId: FolderId }),
  response: z.object({ anyone: z.boolean(), address: z.nullable(z.string()) }),
  problems: ['not-found'],
})
/** The start page of an open folder: the guides in it and in those below it, by title. `address`: the path of the page on which one is read. */
export const getOpenFolder = endpoint({
  method: 'get',
  path: '/api/open-folders/:folderId',
  access: 'anyone',
  params: z.object({ folderId: FolderId }),
  response: z.object({
    name: z.string(),
    look: Look,
    guides: z.array(z.object({ number: z.int(), title: z.string(), minutes: z.int(), address: z.string() })),
  }),
  problems: ['not-found', 'too-many-tries'],
})

/** A link by which guests come to a guide. `folder`: the open folder by which it is there. `asksFor`: what they have to name first; `carries`: a number that stands in the link itself. Times are epoch
 * milliseconds; `visits`, `finished`: how often it was used, and gone through to the end. */
export const ShareLink = z.object({
  id: ShareLinkId,
  folder: z.nullable(z.string()),
  asksFor: z.nullable(LinkAsks),
  carries: z.nullable(z.string()),
  madeBy: z.string(),
  madeAt: z.int(),
  expiresAt: z.nullable(z.int()),
  revokedAt: z.nullable(z.int()),
  visits: z.int(),
  finished: z.int(),
  lastAt: z.nullable(z.int()),
})
/** Read by {@link ShareLink}. */
export type ShareLink = z.infer<typeof ShareLink>

const guide = z.object({ id: GuideId })
/** The links of a guide, those that hold first, the newest of them on top. `anyone`: whether the company allows any. */
export const listLinks = endpoint({
  method: 'get',
  path: '/api/guides/:id/links',
  access: { may: 'item.share', over: 'guide' },
  params: guide,
  response: z.object({ title: z.string(), published: z.boolean(), anyone: z.boolean(), links: z.array(ShareLink) }),
  problems: [],
})
/** Makes a link. Its address is said this once: only its hash is kept. `expiresOn`: the last day on which it holds. */
export const createLink = endpoint({
  method: 'post',
  path: '/api/guides/:id/links',
  access: { may: 'item.share', over: 'guide' },
  params: guide,
  body: z.object({ asksFor: z.nullable(LinkAsks), carries: z.nullable(UseNumber), expiresOn: z.nullable(LocalDate) }),
  response: z.object({ id: ShareLinkId, address: z.string() }),
  problems: ['invalid', 'no-guests', 'not-published'],
})
/** Ends a link at once. */
export const revokeLink = endpoint({
  method: 'post',
  path: '/api/guides/:id/links/:linkId/revoke',
  access: { may: 'item.share', over: 'guide' },
  params: z.object({ id: GuideId, linkId: ShareLinkId }),
  problems: ['not-found'],
})
/** One visit of a guest. `seen`: how many steps they had on the screen. */
export const GuestVisit = z.object({
  id: GuestVisitId,
  number: z.nullable(z.string()),
  edition: z.int(),
  beganAt: z.int(),
  seen: z.int(),
  activeMs: z.int(),
  finishedAt: z.nullable(z.int()),
})
/** Read by {@link GuestVisit}. */
export type GuestVisit = z.infer<typeof GuestVisit>
/** Visits of guests to a guide, the newest first: the last 200, or those under a number. */
export const listGuestVisits = endpoint({
  method: 'get',
  path: '/api/guides/:id/guest-visits',
  access: { may: 'item.share', over: 'guide' },
  params: guide,
  query: z.object({ number: z.optional(z.string().check(z.maxLength(60))) }),
  response: z.array(GuestVisit),
  problems: [],
})

const token = z.object({ token: z.string().check(z.regex(/^[A-Za-z0-9_-]{32}$/)) })
/** Facts of a guide as guests read it: nobody's name is among them. */
export const GuestGuide = z.object({
  guideId: GuideId,
  number: z.int(),
  edition: z.int(),
  publishedAt: z.int(),
  minutes: z.int(),
  amendedAt: z.nullable(z.int()),
  pictureSizes: z.record(z.string(), z.object({ widthPx: z.int(), heightPx: z.int() })),
})
/** Read by {@link GuestGuide}. */
export type GuestGuide = z.infer<typeof GuestGuide>
/** What a link leads to. `asks`: what has to be named first; until then there is no guide. */
export const getShared = endpoint({
  method: 'get',
  path: '/api/shared/:token',
  access: 'anyone',
  params: token,
  query: z.object({ visit: z.optional(GuestVisitId) }),
  response: z.object({
    title: z.string(),
    asks: z.nullable(LinkAsks),
    look: Look,
    guide: z.nullable(GuestGuide),
    document: z.nullable(StoredDocument),
  }),
  problems: ['not-found', 'invalid', 'too-many-tries'],
})
/** Begins a visit, under a number where the link asks for one. `visit` is made by whoever begins it; said again it changes nothing. */
export const beginVisit = endpoint({
  method: 'post',
  path: '/api/shared/:token/visits',
  access: 'anyone',
  params: token,
  body: z.object({ visit: GuestVisitId, number: z.nullable(UseNumber) }),
  problems: ['not-found', 'invalid', 'too-many-tries'],
})
/** Whether an edition that a guest reads still holds. */
export const getSharedHolding = endpoint({
  method: 'get',
  path: '/api/shared/:token/editions/:edition/holding',
  access: 'anyone',
  params: z.object({ ...token.shape, edition: EditionInAddress }),
  response: Holding,
  problems: ['not-found', 'too-many-tries'],
})
/** What happened in a visit; each event for itself, as with those of people. */
export const sendGuestEvents = endpoint({
  method: 'post',
  path: '/api/shared/:token/events',
  access: 'anyone',
  params: token,
  body: z.object({
    visit: GuestVisitId,
    sentAt: Instant,
    events: z.array(z.union([UsageEvent, z.unknown()])).check(z.minLength(1), z.maxLength(100)),
  }),
  maxBytes: 64 * 1024,
  response: z.object({ taken: z.int(), refused: z.array(RefusedEvent) }),
  problems: ['not-found', 'invalid', 'too-many-tries'],
})
/** A picture of the guide that a link leads to. */
export const getSharedPicture = endpoint({
  method: 'get',
  path: '/shared/:token/editions/:edition/pictures/:pictureId',
  access: 'anyone',
  file: true,
  params: z.object({ ...token.shape, edition: EditionInAddress, pictureId: PictureId }),
  query: z.object({ size: z.optional(PictureSize), visit: z.optional(GuestVisitId) }),
  problems: ['not-found', 'too-many-tries'],
})
