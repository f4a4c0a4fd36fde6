import type { AttemptId, SoloAct, SoloAttempt, SoloResult } from '@jackdaw/contracts/players'
import { readDocument, stepName, stepsOf, type GuideDocument, type Rect } from '@jackdaw/core/guides'
import {
  begin,
  END,
  reduce,
  RULES,
  scoreOf,
  scriptOf,
  soloPictureAt,
  soloScreen,
  waysOf,
  type Play,
  type Played,
  type PlayerEffect,
  type PlayerEvent,
  type PlayerState,
  type Verdict,
} from '@jackdaw/core/players'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { v7 as uuidV7 } from 'uuid'
import type { Db } from '../db'
import { addAttested, type AttestedEvent } from '../events'
import { picturesOfEdition, textOfPicture } from '../files'
import { findEdition } from '../guides'
import { fail } from '../http'
import { ruledBy } from './plays'

/** A test that was not ended within this time is over. */
const EXPIRES_AFTER_MS = 24 * 3_600_000

type Row = {
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
type Test = { row: Row; document: GuideDocument; play: Play }

const SELECT = 'select a.* from attempt a'

async function testOf(db: Db, row: Row): Promise<Test> {
  const edition = (await findEdition(db, row.guide_id, row.edition)) ?? fail('not-found')
  const document = readDocument(JSON.parse(edition.bytes))
  const person = { ...(await ruledBy(db, row.person_id)), language: row.language }
  return { row, document, play: { script: scriptOf(document, true), person, triesPerStep: document.solo.triesPerStep } }
}

const resultOf = (row: Row): SoloResult | null =>
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
async function attemptsLeft(db: Db, guideId: GuideId, personId: PersonId, allowed: number): Promise<number | null> {
  if (allowed === 0) return null
  const row = await db.one<{ used: number }>(
    `select count(*)::int as used from attempt a join guide g on g.id = a.guide_id where a.guide_id = $1 and a.person_id = $2 and a.edition >= g.required_edition`,
    [guideId, personId],
  )
  return Math.max(0, allowed - row!.used)
}

async function viewOf(db: Db, test: Test, said: Verdict | null): Promise<SoloAttempt> {
  const { row, document, play } = test
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
    ...soloScreen(document, play, row.ended === null ? row.state : null, sizes, said, await wordsShown(db, test)),
    result: resultOf(row),
    attemptsLeft: await attemptsLeft(db, row.guide_id, row.person_id, document.solo.attempts),
  }
}

/** Words on the picture of the step, as far as the recorder has told them and the picture shows them. */
async function wordsShown(db: Db, { row, document, play }: Test): Promise<string[]> {
  const picture = row.ended === null ? soloPictureAt(document, play, row.state) : null
  if (!picture || picture.sheet) return []
  const { shown } = picture
  const isShown = ({ x, y, width, height }: Rect): boolean =>
    !shown || (x >= shown.x && y >= shown.y && x + width <= shown.x + shown.width && y + height <= shown.y + shown.height)
  return (await textOfPicture(db, picture.id)).flatMap((box) => (isShown(box.rect) ? [box.text] : []))
}

const findOpen = (db: Db, guideId: GuideId, personId: PersonId): Promise<Row | undefined> =>
  db.one<Row>(`${SELECT} where a.guide_id = $1 and a.person_id = $2 and a.ended_at is null for update`, [guideId, personId])

/** What an effect of the player is in the record. */
function eventsOf(row: Row, effect: PlayerEffect, now: number): AttestedEvent[] {
  if (effect.do !== 'tell' || effect.verb === 'finished' || effect.verb === 'step-confirmed') return []
  const base = { ...eventIn(row, now), step_id: effect.stepId }
  if (effect.verb !== 'step-done') return [{ ...base, verb: effect.verb }]
  return [{ ...base, verb: effect.verb, active_ms: effect.activeMs, tries: effect.tries, help: effect.help, done: effect.done }]
}
const eventIn = (row: Row, now: number) => ({
  id: uuidV7(),
  way: 'solo' as const,
  item_id: row.guide_id,
  edition: row.edition,
  step_id: null,
  active_ms: 0,
  occurred_at: new Date(now).toISOString(),
  play_id: row.id,
})

/** Writes down what an act has led to; ends the attempt when its end is reached. */
async function writeOn(
  tx: Db,
  { row, document, play }: Test,
  played: Played,
  ended: SoloResult['ended'] | null,
  now: number,
): Promise<Row> {
  const over = ended ?? (played.state.at === END ? 'finished' : null)
  const score = scoreOf(play.script, played.state, row.pass_mark)
  // What was not come to counts as not done: whoever gives up has not passed.
  const reached = score.judged
  const all =
    over === 'finished' || over === null
      ? reached
      : Math.max(reached, play.script.steps.filter((step) => step.doing.kind !== 'nothing').length)
  const percent = all === 0 ? 0 : Math.floor((score.percent * reached) / all)
  const passed = over === 'finished' && score.passed
  const names = new Map(stepsOf(document).map((step, n) => [step.id as string, { stepId: step.id, name: stepName(step) || String(n + 1) }]))
  const missed = score.missed.map((id) => {
    const { tries, done } = played.state.results[id]!
    return { ...names.get(id)!, tries, done }
  })
  const next = (await tx.one<Row>(
    `update attempt set state = $2, acts = $3, ended_at = $4, ended = $5, percent = $6, passed = $7, judged = $8, right_first = $9, tries = $10, active_ms = $11, missed = $12
     where id = $1 returning *`,
    [
      row.id,
      JSON.stringify(played.state),
      row.acts,
      over === null ? null : new Date(now),
      over,
      percent,
      passed,
      all,
      score.rightFirst,
      score.tries,
      score.ms,
      JSON.stringify(missed),
    ],
  ))!
  const events = played.effects.flatMap((effect) => eventsOf(row, effect, now))
  const finished = { ...eventIn(row, now), verb: 'finished' as const, percent, passed }
  await addAttested(tx, row.person_id, over === null ? events : [...events, finished], now)
  return next
}

const expire = (tx: Db, test: Test): Promise<Row> =>
  writeOn(tx, test, { state: test.row.state, effects: [] }, 'expired', test.row.expires_at.getTime())

/** Opens a test of the newest edition, or goes on with the one that is open. */
export async function openTest(
  db: Db,
  newId: () => string,
  guideId: GuideId,
  personId: PersonId,
  language: string,
  now: number,
): Promise<SoloAttempt> {
  return db.transaction(async (tx) => {
    await tx.rows('select pg_advisory_xact_lock(hashtextextended($1, 1))', [`${personId} ${guideId}`])
    const running = await findOpen(tx, guideId, personId)
    if (running) {
      const test = await testOf(tx, running)
      if (running.expires_at.getTime() > now) return viewOf(tx, test, null)
      await expire(tx, test)
    }
    const guide = await tx.one<{ newest_edition: number | null }>('select newest_edition from guide where id = $1', [guideId])
    const number = guide?.newest_edition ?? fail('not-found', 'This guide has not been published yet.')
    const edition = (await findEdition(tx, guideId, number)) ?? fail('not-found')
    const document = readDocument(JSON.parse(edition.bytes))
    if (!waysOf(document).includes('solo')) fail('not-testable', 'It has no step at which something is done on a picture. It can be read.')
    if ((await attemptsLeft(tx, guideId, personId, document.solo.attempts)) === 0)
      fail('no-attempts-left', `This guide may be taken ${document.solo.attempts} times. Ask whoever leads your training for another try.`)
    const person = { ...(await ruledBy(tx, personId)), language }
    const play: Play = { script: scriptOf(document, true), person, triesPerStep: document.solo.triesPerStep }
    const begun = begin('solo', play, now)
    const row = (await tx.one<Row>(
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

async function own(tx: Db, guideId: GuideId, attemptId: AttemptId, personId: PersonId): Promise<Test> {
  const row = await tx.one<Row>(`${SELECT} where a.id = $1 and a.guide_id = $2 and a.person_id = $3 for update`, [
    attemptId,
    guideId,
    personId,
  ])
  return testOf(tx, row ?? fail('not-found'))
}

/** One's own attempt as it stands. */
export const findTest = (db: Db, guideId: GuideId, attemptId: AttemptId, personId: PersonId, now: number): Promise<SoloAttempt> =>
  db.transaction(async (tx) => {
    const test = await own(tx, guideId, attemptId, personId)
    const late = test.row.ended === null && test.row.expires_at.getTime() <= now
    return viewOf(tx, late ? { ...test, row: await expire(tx, test) } : test, null)
  })

/** The player's event for what is done in a test. */
function eventOf(does: SoloAct, now: number): PlayerEvent {
  switch (does.type) {
    case 'act':
      return { type: 'act', act: does.act, at: now }
    case 'choose':
      return { type: 'choose', id: does.id, at: now }
    case 'acknowledge':
      return { type: 'acknowledge', at: now }
    case 'leave-out':
      return { type: 'show-me', at: now }
    case 'skip-section':
      return { type: 'skip-section', at: now }
  }
}

/** Judges one act. Acts come one after the other: what is late, repeated with another content or out of order is refused; the last one,
 * sent again, is answered alike. */
export async function actInTest(
  db: Db,
  guideId: GuideId,
  attemptId: AttemptId,
  personId: PersonId,
  { n, actId, does }: { n: number; actId: string; does: SoloAct },
  now: number,
): Promise<SoloAttempt> {
  const answer = await db.transaction(async (tx) => {
    const test = await own(tx, guideId, attemptId, personId)
    const { row } = test
    if (n === row.acts && n > 0) {
      const last = await tx.one<{ act_id: string; verdict: Verdict | null }>(
        'select act_id, verdict from attempt_act where attempt_id = $1 and n = $2',
        [attemptId, n],
      )
      if (last?.act_id === actId) return viewOf(tx, test, last.verdict)
    }
    if (row.ended !== null) return null
    if (row.expires_at.getTime() <= now) {
      await expire(tx, test)
      return null
    }
    if (n !== row.acts + 1)
      fail('out-of-turn', `${row.acts} acts are known; this one says that it is number ${n}. Load the page again to go on.`)
    const event = eventOf(does, now)
    const played = reduce(row.state, event, test.play)
    if (played.state === row.state)
      fail('out-of-turn', 'At this step that cannot be done. Nothing was counted; load the page again to go on.')
    const verdict = played.effects.flatMap((effect) => (effect.do === 'say' ? [effect.verdict] : []))[0] ?? null
    await tx.rows('insert into attempt_act (attempt_id, n, act_id, event, verdict, acted_at) values ($1, $2, $3, $4, $5, $6)', [
      attemptId,
      n,
      actId,
      JSON.stringify(event),
      verdict && JSON.stringify(verdict),
      new Date(now),
    ])
    const next = await writeOn(tx, { ...test, row: { ...row, acts: n } }, played, null, now)
    return viewOf(tx, { ...test, row: next }, verdict)
  })
  return answer ?? fail('attempt-over', 'It has ended; this act came too late and was not counted.')
}

/** Gives a test up. */
export const giveUpTest = (db: Db, guideId: GuideId, attemptId: AttemptId, personId: PersonId, now: number): Promise<SoloAttempt> =>
  db.transaction(async (tx) => {
    const test = await own(tx, guideId, attemptId, personId)
    if (test.row.ended !== null) return viewOf(tx, test, null)
    return viewOf(tx, { ...test, row: await writeOn(tx, test, { state: test.row.state, effects: [] }, 'given-up', now) }, null)
  })

/** The attempts of a person at a guide that have ended, the newest first. */
export async function attemptsOfPerson(
  db: Db,
  guideId: GuideId,
  personId: PersonId,
): Promise<{ number: number; edition: number; result: SoloResult }[]> {
  const rows = await db.rows<Row>(`${SELECT} where a.guide_id = $1 and a.person_id = $2 order by a.number desc limit 200`, [
    guideId,
    personId,
  ])
  return rows.flatMap((row) => {
    const result = resultOf(row)
    return result ? [{ number: row.number, edition: row.edition, result }] : []
  })
}

/** What somebody has done in tests of a guide. */
export async function attemptsOf(db: Db, guideId: GuideId, personId: PersonId, now: number) {
  const guide = await db.one<{ newest_edition: number | null }>('select newest_edition from guide where id = $1', [guideId])
  const edition =
    (await findEdition(db, guideId, guide?.newest_edition ?? fail('not-found', 'This guide has not been published yet.'))) ??
    fail('not-found')
  const { solo, title } = readDocument(JSON.parse(edition.bytes))
  const rows = await db.rows<Row>(`${SELECT} where a.guide_id = $1 and a.person_id = $2 order by a.number desc limit 50`, [
    guideId,
    personId,
  ])
  return {
    open: rows.find((row) => row.ended === null && row.expires_at.getTime() > now)?.id ?? null,
    attemptsLeft: await attemptsLeft(db, guideId, personId, solo.attempts),
    passMark: solo.passMark,
    triesPerStep: solo.triesPerStep,
    task: solo.task,
    title,
    done: rows.flatMap((row) => {
      const result = resultOf(row)
      return result ? [{ attemptId: row.id, number: row.number, edition: row.edition, result }] : []
    }),
  }
}
