import type { SoloAttempt, SoloResult } from '@jackdaw/contracts/players'
import { readDocument, type GuideDocument, type Rect } from '@jackdaw/core/guides'
import { actingScriptOf, type Play, soloPictureAt, soloScreen, type Verdict } from '@jackdaw/core/players'
import { guideItem, itemRefOf } from '@jackdaw/core/items'
import type { AttemptId, GuideId, PersonId } from '@jackdaw/core/shared'
import { Op, type Attributes } from 'sequelize'
import type { Db } from '../../db'
import { picturesOfEdition, textOfPicture } from '../../files'
import { fail } from '../../http'
import { findEdition, ITEM, type EditionFacts } from '../../items'
import { ATTEMPT, type AttemptRow } from '../model'
import { ruledBy } from '../plays'

/** An attempt in Solo as it is stored. */
export type Attempt = Attributes<AttemptRow>

/** The guide that an attempt in Solo is about. */
export function guideOf({ itemKind, itemId }: Attempt): GuideId {
  const item = itemRefOf(itemKind, itemId)
  return item.kind === 'guide' ? item.id : fail('not-found')
}

/** An attempt with the edition that it is about. */
export type RunningAttempt = { row: Attempt; document: GuideDocument; play: Play }

/** The newest edition of a guide, and its number. */
export async function newestEdition(db: Db, guideId: GuideId): Promise<{ number: number; edition: EditionFacts & { bytes: string } }> {
  const item = await db.in(ITEM).one({ kind: 'guide', id: guideId }, { only: ['edition'] })
  const number = item?.edition ?? fail('not-found', 'This guide has not been published yet.')
  return { number, edition: (await findEdition(db, guideItem(guideId), number)) ?? fail('not-found') }
}

/** The attempt of a row. */
export async function runningOf(db: Db, row: Attempt): Promise<RunningAttempt> {
  const edition = (await findEdition(db, guideItem(guideOf(row)), row.edition)) ?? fail('not-found')
  const document = readDocument(JSON.parse(edition.bytes))
  return { row, document, play: await playOf(db, document, row.personId, row.language) }
}
/** How somebody plays a document in Solo. @param language how they write numbers and days, BCP 47 */
export async function playOf(db: Db, document: GuideDocument, personId: PersonId, language: string): Promise<Play> {
  const person = { ...(await ruledBy(db, personId)), language }
  return { script: actingScriptOf(document, 'solo'), person, triesPerStep: document.solo.triesPerStep, settled: new Set() }
}

/** What came of an attempt; `null` as long as it goes on. */
export const resultOf = (row: Attempt): SoloResult | null =>
  row.ended === null || row.endedAt === null
    ? null
    : {
        ended: row.ended,
        percent: row.percent ?? 0,
        passed: row.passed ?? false,
        passMark: row.passMark,
        judged: row.judged ?? 0,
        rightFirst: row.rightFirst ?? 0,
        tries: row.tries ?? 0,
        activeMs: row.activeMs ?? 0,
        openedAt: row.openedAt,
        endedAt: row.endedAt,
        missed: row.missed ?? [],
      }

/** How many attempts somebody has left for the newest edition's rules; `null` without limit. */
export async function attemptsLeft(db: Db, guideId: GuideId, personId: PersonId, allowed: number): Promise<number | null> {
  if (allowed === 0) return null
  const item = await db.in(ITEM).one({ kind: 'guide', id: guideId }, { only: ['requiredEdition'] })
  const counting = { [Op.gte]: item?.requiredEdition ?? 1 }
  return Math.max(0, allowed - (await db.in(ATTEMPT).count({ itemKind: 'guide', itemId: guideId, personId, edition: counting })))
}

/** An attempt as whoever makes it sees it. @param said on the last act */
export async function viewOf(db: Db, attempt: RunningAttempt, said: Verdict | null): Promise<SoloAttempt> {
  const { row, document, play } = attempt
  const pictures = await picturesOfEdition(db, guideItem(guideOf(row)), row.edition)
  const sizes = Object.fromEntries(pictures.map(({ id, widthPx, heightPx }) => [id, { widthPx, heightPx }]))
  return {
    attemptId: row.id,
    guideId: guideOf(row),
    number: row.number,
    edition: row.edition,
    title: document.title,
    task: document.solo.task,
    passMark: row.passMark,
    acts: row.acts,
    ...soloScreen(document, play, row.ended === null ? row.state : null, sizes, said, await wordsShown(db, attempt)),
    result: resultOf(row),
    attemptsLeft: await attemptsLeft(db, guideOf(row), row.personId, document.solo.attempts),
  }
}

/** Words on the picture of the step, as far as the recorder has told them and the picture shows them. */
async function wordsShown(db: Db, { row, document, play }: RunningAttempt): Promise<string[]> {
  const picture = row.ended === null ? soloPictureAt(document, play, row.state) : null
  if (!picture || picture.sheet) return []
  const { shown } = picture
  const isShown = ({ x, y, width, height }: Rect): boolean =>
    !shown || (x >= shown.x && y >= shown.y && x + width <= shown.x + shown.width && y + height <= shown.y + shown.height)
  return (await textOfPicture(db, picture.id)).flatMap((box) => (isShown(box.rect) ? [box.text] : []))
}

/** Somebody's own attempt, held until the end of the transaction. */
export async function ownAttempt(tx: Db, guideId: GuideId, attemptId: AttemptId, personId: PersonId): Promise<RunningAttempt> {
  const row = await tx.in(ATTEMPT).one({ id: attemptId, itemKind: 'guide', itemId: guideId, personId }, { lock: true })
  return runningOf(tx, row ?? fail('not-found'))
}
