import type { FolderId, GuestVisitId, GuideId, PersonId, ShareLinkId } from '@jackdaw/core/shared'
import type { LinkAsks } from '@jackdaw/core/sharing'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { instant, key, optional, table, text, whole } from '../db'

/** A link by which guests come to a guide. Of its token only the hash is kept. */
export class ShareLinkRow extends Model<InferAttributes<ShareLinkRow>, InferCreationAttributes<ShareLinkRow>> {
  declare id: ShareLinkId
  declare tokenHash: string
  declare guideId: GuideId
  /** The open folder by which it is there. */
  declare folderId: CreationOptional<FolderId | null>
  declare asksFor: LinkAsks | null
  declare carries: string | null
  declare madeBy: PersonId
  declare madeAt: number
  declare expiresAt: number | null
  declare revokedAt: CreationOptional<number | null>
}
export const SHARE_LINK = table('share_link', ShareLinkRow, () => ({
  id: key(text()),
  tokenHash: text(),
  guideId: text(),
  folderId: optional(text()),
  asksFor: optional(text()),
  carries: optional(text()),
  madeBy: text(),
  madeAt: instant(),
  expiresAt: optional(instant()),
  revokedAt: optional(instant()),
}))

/** A visit of a guest. `numberKey`: the number as it is looked for. */
export class GuestVisitRow extends Model<InferAttributes<GuestVisitRow>, InferCreationAttributes<GuestVisitRow>> {
  declare id: GuestVisitId
  declare linkId: ShareLinkId
  declare guideId: GuideId
  declare edition: number
  declare number: string | null
  declare numberKey: string | null
  declare beganAt: number
}
export const GUEST_VISIT = table('guest_visit', GuestVisitRow, () => ({
  id: key(text()),
  linkId: text(),
  guideId: text(),
  edition: whole(),
  number: optional(text()),
  numberKey: optional(text()),
  beganAt: instant(),
}))
