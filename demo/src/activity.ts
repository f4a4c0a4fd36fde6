import { guideItem } from '@jackdaw/core/items'
import type { UsageEvent } from '@jackdaw/core/players'
import type { GuideId, StepId } from '@jackdaw/core/shared'

const MINUTE = 60_000
const DAY = 86_400_000

/** One person's dealings with one edition. */
export type Reading = {
  guideId: GuideId
  edition: number
  steps: readonly StepId[]
  confirmSteps: boolean
  /** Steps whose cautions have to be acknowledged. */
  cautions?: ReadonlySet<string>
  /** Earliest start and end of what is made up, epoch milliseconds. */
  from: number
  until: number
  /** 0 to 1: how probable it is that this person begins, and how soon. */
  diligence: number
  starts: number
  stopAt: { step: number; share: number } | undefined
}

type Source = { random: () => number; newEventId: () => string }

/** At a time when people are at work, on or after the given one: 06:00 to 18:00, Sundays free. */
export function atWork(at: number, random: () => number): number {
  const hour = 6 * 60 * MINUTE + random() * 11.5 * 60 * MINUTE
  const day = new Date(at)
  day.setUTCHours(0, 0, 0, 0)
  let moment = day.getTime() + hour
  while (moment < at || new Date(moment).getUTCDay() === 0) moment += DAY
  return moment
}

/** Events of a stretch of reading from step `begin` on.
 * @returns the events, and at which step the person stopped (`steps.length` when through) */
function stretch(
  reading: Reading,
  source: Source,
  startedAt: number,
  begin: number,
  giveUp: (index: number) => boolean,
): { events: UsageEvent[]; reached: number; endedAt: number } {
  const { random, newEventId } = source
  const base = { item: guideItem(reading.guideId), edition: reading.edition, way: 'read' as const }
  const events: UsageEvent[] = [{ ...base, id: newEventId(), verb: 'opened', occurredAt: Math.round(startedAt) }]
  let at = startedAt
  for (let index = begin; index < reading.steps.length; index++) {
    const part = reading.steps[index]!
    const hard = reading.stopAt?.step === index + 1 ? 2.6 : 1
    const activeMs = Math.round((7_000 + random() * 26_000) * hard)
    events.push({ ...base, id: newEventId(), verb: 'step-viewed', part, occurredAt: Math.round(at) })
    if (reading.cautions?.has(part))
      events.push({ ...base, id: newEventId(), verb: 'step-acknowledged', part, occurredAt: Math.round(at + activeMs / 3) })
    at += activeMs
    if (at > reading.until) return { events, reached: index, endedAt: at }
    events.push({ ...base, id: newEventId(), verb: 'time-spent', part, activeMs, occurredAt: Math.round(at) })
    if (giveUp(index)) return { events, reached: index, endedAt: at }
    if (reading.confirmSteps) events.push({ ...base, id: newEventId(), verb: 'step-confirmed', part, occurredAt: Math.round(at) })
  }
  return { events, reached: reading.steps.length, endedAt: at }
}

/** Makes up how one person read one guide: when they began, where they stopped, whether they came back.
 * @returns batches as a browser would send them; empty when they never opened it */
export function readingEvents(reading: Reading, source: Source): { at: number; events: UsageEvent[] }[] {
  const { random, newEventId } = source
  if (random() > reading.starts * (0.35 + 0.65 * reading.diligence)) return []
  const delay = -Math.log(1 - random() * 0.98) * (2 + 16 * (1 - reading.diligence)) * DAY
  let at = atWork(reading.from + delay, random)
  let begin = 0
  const batches: { at: number; events: UsageEvent[] }[] = []
  for (let visit = 0; visit < 3 && at < reading.until; visit++) {
    const share = reading.stopAt?.share ?? 0
    const stops = (index: number): boolean =>
      (visit === 0 && reading.stopAt?.step === index + 1 && random() < share) || random() < 0.022 * (1.3 - reading.diligence)
    const { events, reached, endedAt } = stretch(reading, source, at, begin, stops)
    if (reached === reading.steps.length && endedAt < reading.until) {
      events.push({
        id: newEventId(),
        item: guideItem(reading.guideId),
        edition: reading.edition,
        way: 'read',
        verb: 'finished',
        occurredAt: Math.round(endedAt),
      })
      batches.push({ at: Math.round(endedAt) + 1_000, events })
      return batches
    }
    batches.push({ at: Math.round(Math.min(endedAt, reading.until)) + 1_000, events })
    // Where the guide itself is the obstacle, fewer come back.
    if (random() > 0.35 * reading.diligence + (reading.stopAt && reached + 1 === reading.stopAt.step ? 0 : 0.25)) return batches
    begin = Math.min(reached, reading.steps.length - 1)
    at = atWork(endedAt + (0.5 + random() * 5) * DAY, random)
  }
  return batches
}
