import { guideItem } from '@jackdaw/core/items'
import type { GuideId, NewId, PersonId } from '@jackdaw/core/shared'
import type { SoloAct } from '@jackdaw/contracts/players'
import type { UsageEvent } from '@jackdaw/core/players'
import { stepsOf, type GuideDocument } from '@jackdaw/core/guides'
import { middleOf } from '@jackdaw/core/annotations'
import { shownEntry } from '@jackdaw/core/flow'
import { type Act, actingScriptOf, type Doing, doingOf } from '@jackdaw/core/players'
import { atWork } from './activity'
import type { Batch, DemoServices } from './services'

const DAY = 86_400_000
const SECOND = 1_000

/** Where people go wrong, so that there is something to find: guide → number of the step → how probable it is. */
const HARD: Record<string, Record<number, number>> = {
  'enter-a-standing-order': { 5: 0.95, 7: 0.6, 10: 0.4 },
  'book-a-delivery-slot': { 3: 0.45, 5: 0.35, 7: 0.95 },
}
/** How probable it is elsewhere. */
const EASY = 0.1
/** Whoever has practised goes wrong less often. */
const PRACTISED = 0.55

type Source = { random: () => number; newEventId: () => string; newId: NewId }
type Person = { id: PersonId; diligence: number }

const pointed = (doing: Extract<Doing, { kind: 'click' | 'enter' }>, right: boolean): SoloAct => {
  const at = middleOf(doing.on.rect)
  const how = doing.kind === 'click' ? doing.how : 'once'
  const act: Act = {
    do: 'click',
    pictureId: doing.on.pictureId as never,
    by: 'mouse',
    scale: 0.7,
    at: right ? at : { x: at.x > 640 ? at.x - 320 : at.x + 320, y: at.y > 400 ? at.y - 260 : at.y + 260 },
    how,
  }
  return { type: 'act', act }
}

/** What somebody does at a step of a test: first the mistakes, then what is right. */
function actsAt(doing: Doing, mistakes: number): SoloAct[] {
  const wrong = (act: SoloAct) => Array.from({ length: mistakes }, () => act)
  switch (doing.kind) {
    case 'click':
      return [...wrong(pointed(doing, false)), pointed(doing, true)]
    case 'enter': {
      const enter = (entry: string): SoloAct => ({ type: 'act', act: { do: 'enter', entry } })
      return [pointed(doing, true), ...wrong(enter('?')), enter(shownEntry(doing.accept) ?? 'as it comes')]
    }
    case 'nothing':
      return [{ type: 'act', act: { do: 'go-on' } }]
    default:
      return [{ type: 'leave-out' }]
  }
}

const mistakesAt = (file: string, n: number, practised: boolean, random: () => number): number => {
  const chance = (HARD[file]?.[n] ?? EASY) * (practised ? PRACTISED : 1)
  return random() < chance ? (random() < 0.45 ? 2 : 1) : 0
}

/** One test of one person, taken through the server's own judging. */
async function takeTest(
  services: DemoServices,
  { guideId, file, document }: { guideId: GuideId; file: string; document: GuideDocument },
  person: Person,
  startedAt: number,
  practised: boolean,
  { random, newId }: Source,
): Promise<{ passed: boolean; endedAt: number }> {
  let at = startedAt
  let attempt = await services.openAttempt(guideId, person.id, at)
  const doings = actingScriptOf(document, 'solo').steps.map((step) => step.doing)
  const givesUpAt = random() < 0.06 ? 4 + Math.floor(random() * 4) : 0
  for (const [n, doing] of doings.entries()) {
    if (n + 1 === givesUpAt) {
      await services.giveUpAttempt(guideId, attempt.attemptId, person.id, at)
      return { passed: false, endedAt: at }
    }
    for (const does of actsAt(doing, mistakesAt(file, n + 1, practised, random))) {
      // Tries are used up: what was left of the step is not done any more.
      if (attempt.screen === null || attempt.screen.position !== n + 1) break
      at += Math.round(2 * SECOND + random() * 9 * SECOND)
      attempt = await services.actInAttempt(guideId, attempt.attemptId, person.id, { n: attempt.acts + 1, actId: newId(), does }, at)
    }
  }
  return { passed: attempt.result?.passed === true, endedAt: at }
}

/** Watching or practising once, from the beginning to the end. */
function once(
  way: 'watch' | 'practise',
  { guideId, file, document }: { guideId: GuideId; file: string; document: GuideDocument },
  startedAt: number,
  practised: boolean,
  { random, newEventId, newId }: Source,
): UsageEvent[] {
  const visit = newId()
  let at = startedAt
  const base = () => ({ id: newEventId(), item: guideItem(guideId), edition: 1, way, visit, occurredAt: Math.round(at) })
  const events: UsageEvent[] = [{ ...base(), verb: 'opened' }]
  stepsOf(document).forEach((step, n) => {
    const part = step.id
    events.push({ ...base(), verb: 'step-viewed', part })
    const activeMs = Math.round(4 * SECOND + random() * 10 * SECOND)
    at += activeMs
    events.push({ ...base(), verb: 'time-spent', part, activeMs })
    if (way !== 'practise') return
    const acts = doingOf(step, document).kind !== 'nothing'
    const mistakes = acts ? mistakesAt(file, n + 1, practised, random) : 0
    const help = mistakes === 0 ? 0 : random() < 0.3 ? 2 : 1
    events.push({ ...base(), way: 'practise', verb: 'step-done', part, tries: acts ? mistakes + (help === 2 ? 0 : 1) : 0, help })
  })
  events.push({ ...base(), verb: 'finished' })
  return events
}

/** Lets people watch, practise and take a recorded guide: the diligent ones first and with more practice, some never. */
export async function useRecorded(
  services: DemoServices,
  guide: { guideId: GuideId; file: string; document: GuideDocument },
  people: readonly Person[],
  from: number,
  until: number,
  source: Source,
): Promise<void> {
  const { random } = source
  for (const person of people) {
    if (random() > 0.25 + person.diligence * 0.7) continue
    let at = atWork(from + random() * 20 * DAY, random)
    const rounds = person.diligence > 0.7 ? 1 + Math.floor(random() * 2) : random() < 0.4 ? 1 : 0
    const batches: Batch[] = []
    const did = (events: UsageEvent[]) => {
      const end = events.at(-1)!.occurredAt
      if (end < until) batches.push({ personId: person.id, at: end + SECOND, events })
      at = atWork(end + random() * 2 * DAY, random)
    }
    if (random() < 0.6) did(once('watch', guide, at, false, source))
    for (let round = 0; round < rounds; round++) did(once('practise', guide, at, round > 0, source))
    await services.takeEvents(batches)
    let practised = rounds > 0
    for (let tries = 0; tries < 3 && at < until - DAY; tries++) {
      const { passed, endedAt } = await takeTest(services, guide, person, at, practised, source)
      if (passed || random() > person.diligence) break
      practised = true
      at = atWork(endedAt + DAY + random() * 3 * DAY, random)
    }
  }
}
