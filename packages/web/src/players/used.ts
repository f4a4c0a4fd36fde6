import { getDraftPicture, getEditionPicture } from '@jackdaw/contracts/pictures'
import type { QuizAmongSteps, ReaderEdition } from '@jackdaw/contracts/reading'
import { guideQuizzesOf, type GuideDocument, type PictureSizes } from '@jackdaw/core/guides'
import { actingScriptOf, type Play } from '@jackdaw/core/players'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import { policyOf, type Way } from '@jackdaw/core/ways'
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
  /** The quizzes among the steps; of a draft none: nobody takes them there. */
  quizzes: readonly QuizAmongSteps[]
}

export const usedEdition = ({ guideId, number, edition, document, pictureSizes, reader, quizzes }: ReaderEdition): UsedGuide => ({
  guideId,
  number,
  edition,
  document,
  sizes: pictureSizes,
  reader,
  quizzes,
})

/** Number of the edition under which a draft is shown where an edition is expected. */
export const DRAFT = 0

/** The quizzes among the steps that keep nobody back, by their ids there. */
export const settledIn = (quizzes: readonly QuizAmongSteps[]): ReadonlySet<string> =>
  new Set(quizzes.flatMap(({ guideQuizId, settled }) => (settled ? [guideQuizId] : [])))

/** A guide made ready for the players. In a draft every quiz counts as settled.
 * @param only leaves these steps only */
export const playFor = (
  { document, reader, quizzes, edition }: Pick<UsedGuide, 'document' | 'reader' | 'quizzes' | 'edition'>,
  way: Way,
  only: readonly string[] | null = null,
): Play => ({
  script: actingScriptOf(document, way, only),
  person: { roles: reader.roles, sites: reader.sites, language: navigator.language },
  triesPerStep: policyOf(way).triesRunOut ? document.solo.triesPerStep : 0,
  settled: edition === null || edition === DRAFT ? new Set(guideQuizzesOf(document).map(({ id }) => id)) : settledIn(quizzes),
})

/** Address of a picture of an edition, or of the draft. */
export const pictureAddress = (guideId: GuideId, edition: number | null, pictureId: PictureId, size: 'screen' | 'full' = 'full'): string =>
  edition === null || edition === DRAFT
    ? addressOf(getDraftPicture, { id: guideId, pictureId }, { size })
    : addressOf(getEditionPicture, { id: guideId, edition, pictureId }, { size })
