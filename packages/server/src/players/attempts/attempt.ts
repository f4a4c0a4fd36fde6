import type { AttemptId, SoloAttempt, SoloResult } from '@jackdaw/contracts/players'
import { readDocument, type GuideDocument, type Rect } from '@jackdaw/core/guides'
import { actingScriptOf, type Play, type PlayerState, soloPictureAt, soloScreen, type Verdict } from '@jackdaw/core/players'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { picturesOfEdition, textOfPicture } from '../../files'
import { findEdition } from '../../guides'
import { fail } from '../../http'
import { ruledBy } from '../plays'

/** A row of an attempt in Solo. */
export type AttemptRow = {
  id: AttemptId
  guide_id: GuideId
  edition: number
  person_id: PersonId
  number: number
  language: string
  opened_at: Date
  expires_at: Date
  acts: number
  state: PlayerState
  ended_at: Date | null
  ended: SoloResult['ended'] | null
  percent: number
  passed: boolean
  pass_mark: number
  judged: number
  right_first: number
  tries: number
  active_ms: number
  missed: SoloResult['missed']
}

/** An attempt with the edition that it is about. */
export type RunningAttempt = { row: AttemptRow; document: GuideDocument; play: Play }

/** The attempt of a row. */
export async function runningOf(db: Db, row: AttemptRow): Promise<RunningAttempt> {
  const edition = (await findEdition(db, row.guide_id, row.edition)) ?? fail('not-found')
  const document = readDocument(JSON.parse(edition.bytes))
  return { row, document, play: await playOf(db, document, row.person_id, row.language) }
}
/** How somebody plays a document in Solo. @param language how they write numbers and days, BCP 47 */
export async function playOf(db: Db, document: GuideDocument, personId: PersonId, language: string): Promise<Play> {
  const person = { ...(await ruledBy(db, personId)), language }
  return { script: actingScriptOf(document, true), person, triesPerStep: document.solo.triesPerStep }
}

/** What came of an attempt; `null` as long as it goes on. */
export const resultOf = (row: AttemptRow): SoloResult | null =>
  row.ended === null
    ? null
    : {
        ended: row.ended,
        percent: row.percent,
        passed: row.passed,
        passMark: row.pass_mark,
        judged: row.judged,
        rightFirst: row.right_first,
        tries: row.tries,
        activeMs: row.active_ms,
        openedAt: row.opened_at.getTime(),
        endedAt: row.ended_at!.getTime(),
        missed: row.missed,
      }

/** How many attempts somebody has left for the newest edition's rules; `null` without limit. */
export async function attemptsLeft(db: Db, guideId: GuideId, personId: PersonId, allowed: number): Promise<number | null> {
  if (allowed === 0) return null
  const row = await db.one<{ used: number }>(
    `select count(*)::int as used from attempt a join guide g on g.id = a.guide_id where a.guide_id = $1 and a.person_id = $2 and a.edition >= g.required_edition`,
    [guideId, personId],
  )
  return Math.max(0, allowed - row!.used)
}

/** An attempt as whoever makes it sees it. @param said on the last act */
export async function viewOf(db: Db, attempt: RunningAttempt, said: Verdict | null): Promise<SoloAttempt> {
  const { row, document, play } = attempt
  const pictures = await picturesOfEdition(db, row.guide_id, row.edition)
  const sizes = Object.fromEntries(pictures.map(({ id, widthPx, heightPx }) => [id, { widthPx, heightPx }]))
  return {
    attemptId: row.id,
    guideId: row.guide_id,
    number: row.number,
    edition: row.edition,
    title: document.title,
    task: document.solo.task,
    passMark: row.pass_mark,
    acts: row.acts,
    ...soloScreen(document, play, row.ended === null ? row.state : null, sizes, said, await wordsShown(db, attempt)),
    result: resultOf(row),
    attemptsLeft: await attemptsLeft(db, row.guide_id, row.person_id, document.solo.attempts),
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
  const row = await tx.one<AttemptRow>(`select a.* from attempt a where a.id = $1 and a.guide_id = $2 and a.person_id = $3 for update`, [
    attemptId,
    guideId,
    personId,
  ])
  return runningOf(tx, row ?? fail('not-found'))
}
