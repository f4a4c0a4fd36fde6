import type { GuideId, NewId, PersonId } from '@jackdaw/core/shared'
import type { SoloAttempt } from '@jackdaw/contracts/players'
import { readDocument } from '@jackdaw/core/guides'
import { begin, RULES, waysOf } from '@jackdaw/core/players'
import type { Db } from '../../db'
import { addAttested } from '../../events'
import { findEdition } from '../../guides'
import { fail } from '../../http'
import { attemptsLeft, playOf, runningOf, viewOf, type AttemptRow } from './attempt'
import { eventIn, eventsOf, expire } from './endAttempt'

/** An attempt that was not ended within this time is over. */
const EXPIRES_AFTER_MS = 24 * 3_600_000

const findOpen = (db: Db, guideId: GuideId, personId: PersonId): Promise<AttemptRow | undefined> =>
  db.one<AttemptRow>('select a.* from attempt a where a.guide_id = $1 and a.person_id = $2 and a.ended_at is null for update', [
    guideId,
    personId,
  ])

/** Opens an attempt at the newest edition, or goes on with the one that is open. */
export async function openAttempt(
  db: Db,
  newId: NewId,
  guideId: GuideId,
  personId: PersonId,
  language: string,
  now: number,
): Promise<SoloAttempt> {
  return db.transaction(async (tx) => {
    await tx.rows('select pg_advisory_xact_lock(hashtextextended($1, 1))', [`${personId} ${guideId}`])
    const running = await findOpen(tx, guideId, personId)
    if (running) {
      const attempt = await runningOf(tx, running)
      if (running.expires_at.getTime() > now) return viewOf(tx, attempt, null)
      await expire(tx, attempt)
    }
    const guide = await tx.one<{ newest_edition: number | null }>('select newest_edition from guide where id = $1', [guideId])
    const number = guide?.newest_edition ?? fail('not-found', 'This guide has not been published yet.')
    const edition = (await findEdition(tx, guideId, number)) ?? fail('not-found')
    const document = readDocument(JSON.parse(edition.bytes))
    if (!waysOf(document).includes('solo')) fail('not-testable', 'It has no step at which something is done on a picture. It can be read.')
    if ((await attemptsLeft(tx, guideId, personId, document.solo.attempts)) === 0)
      fail('no-attempts-left', `This guide may be taken ${document.solo.attempts} times. Ask whoever leads your training for another try.`)
    const play = await playOf(tx, document, personId, language)
    const begun = begin('solo', play, now)
    const row = (await tx.one<AttemptRow>(
      `insert into attempt (id, guide_id, edition, person_id, number, rules, language, opened_at, expires_at, acts, state, pass_mark)
       values ($1, $2, $3, $4, (select coalesce(max(number), 0) + 1 from attempt where guide_id = $2 and person_id = $4), $10, $5, $6, $7, 0, $8, $9) returning *`,
      [
        newId(),
        guideId,
        number,
        personId,
        language,
        new Date(now),
        new Date(now + EXPIRES_AFTER_MS),
        JSON.stringify(begun.state),
        document.solo.passMark,
        RULES,
      ],
    ))!
    const opened = { ...eventIn(row, now), verb: 'opened' as const }
    await addAttested(tx, personId, [opened, ...begun.effects.flatMap((effect) => eventsOf(row, effect, now))], now)
    return viewOf(tx, { row, document, play }, null)
  })
}
