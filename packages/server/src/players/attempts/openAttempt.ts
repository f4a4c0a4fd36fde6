import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { SoloAttempt } from '@jackdaw/contracts/players'
import { readDocument } from '@jackdaw/core/guides'
import { begin, RULES, waysOf } from '@jackdaw/core/players'
import { addAttested } from '../../events'
import { fail, type Parts, said } from '../../http'
import { ATTEMPT } from '../model'
import { attemptsLeft, newestEdition, playOf, runningOf, viewOf } from './attempt'
import { eventIn, eventsOf, expire } from './endAttempt'

/** An attempt that was not ended within this time is over. */
const EXPIRES_AFTER_MS = 24 * 3_600_000

/** Opens an attempt at the newest edition, or goes on with the one that is open. */
export async function openAttempt(
  { database, newId, events }: Parts,
  guideId: GuideId,
  personId: PersonId,
  language: string,
  now: number,
): Promise<SoloAttempt> {
  return database.transaction(async (tx) => {
    await tx.rows('select pg_advisory_xact_lock(hashtextextended($1, 1))', [`${personId} ${guideId}`])
    const own = { itemKind: 'guide', itemId: guideId, personId } as const
    const running = await tx.in(ATTEMPT).one({ ...own, endedAt: null }, { lock: true })
    if (running) {
      const attempt = await runningOf(tx, running)
      if (running.expiresAt > now) return viewOf(tx, attempt, null)
      await expire({ tx, events }, attempt)
    }
    const { number, edition } = await newestEdition(tx, guideId)
    const document = readDocument(JSON.parse(edition.bytes))
    if (!waysOf(document).includes('solo')) fail('not-testable', 'It has no step at which something is done on a picture. It can be read.')
    if ((await attemptsLeft(tx, guideId, personId, document.solo.attempts)) === 0)
      fail(
        'no-attempts-left',
        said('This guide may be taken {{n}} times. Ask whoever leads your training for another try.', { n: document.solo.attempts }),
      )
    const play = await playOf(tx, document, personId, language)
    const begun = begin('solo', play, now)
    const [last] = await tx.in(ATTEMPT).find(own, { only: ['number'], order: [['number', 'DESC']], limit: 1 })
    const row = await tx.in(ATTEMPT).insert({
      ...own,
      id: newId(),
      edition: number,
      number: (last?.number ?? 0) + 1,
      rules: RULES,
      language,
      openedAt: now,
      expiresAt: now + EXPIRES_AFTER_MS,
      acts: 0,
      state: begun.state,
      passMark: document.solo.passMark,
    })
    const opened = { ...eventIn(row, now), verb: 'opened', carries: {} }
    const told = begun.effects.flatMap((effect) => eventsOf(row, effect, now))
    await addAttested(tx, events, { subject: personId, now }, [opened, ...told])
    return viewOf(tx, { row, document, play }, null)
  })
}
