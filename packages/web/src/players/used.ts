import { getDraftPicture, getEditionPicture } from '@jackdaw/contracts/pictures'
import type { ReaderEdition } from '@jackdaw/contracts/reading'
import type { GuideDocument, PictureSizes } from '@jackdaw/core/guides'
import { actingScriptOf, type Play } from '@jackdaw/core/players'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import { addressOf } from '@jackdaw/contracts/endpoint'

/** A guide as a player uses it: an edition, or its author's draft, of which nothing is kept. */
export type UsedGuide = {
  guideId: GuideId
  number: number
  /** `null`: the draft. */
  edition: number | null
  document: GuideDocument
  sizes: PictureSizes
  reader: { roles: readonly string[]; sites: readonly string[] }
}

export const usedEdition = ({ guideId, number, edition, document, pictureSizes, reader }: ReaderEdition): UsedGuide => ({
  guideId,
  number,
  edition,
  document,
  sizes: pictureSizes,
  reader,
})

/** Number of the edition under which a draft is shown where an edition is expected. */
export const DRAFT = 0

/** A guide made ready for the players.
 * @param only leaves these steps only */
export const playFor = (guide: Pick<UsedGuide, 'document' | 'reader'>, solo = false, only: readonly string[] | null = null): Play => ({
  script: actingScriptOf(guide.document, solo, only),
  person: { roles: guide.reader.roles, sites: guide.reader.sites, language: navigator.language },
  triesPerStep: solo ? guide.document.solo.triesPerStep : 0,
})

/** Address of a picture of an edition, or of the draft. */
export const pictureAddress = (guideId: GuideId, edition: number | null, pictureId: PictureId, size: 'screen' | 'full' = 'full'): string =>
  edition === null || edition === DRAFT
    ? addressOf(getDraftPicture, { id: guideId, pictureId }, { size })
    : addressOf(getEditionPicture, { id: guideId, edition, pictureId }, { size })
