import { guideItem } from '@jackdaw/core/items'
import type { UsageEvent } from '@jackdaw/core/players'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import { atWork } from './activity'
import type { Batch } from './services'

const DAY = 86_400_000
const SECOND = 1_000

/** How a guide is looked things up in: how often, by whom, when, and where people leave it. */
export type Use = {
  /** How probable it is, on an ordinary day, that somebody of a team opens it; of the others `elsewhere`. */
  teams: Record<string, number>
  elsewhere: number
  /** By how much more or less on a day. `running`: how much of the time looked at has passed, 0 to 1. */
  season: (day: Date, running: number) => number
  /** Steps, from 1, at which people leave without having finished, with how probable that is in an edition on a device. */
  leaves: (step: number, edition: number, device: Device) => number
  /** Steps, from 1, that take longer than their words. */
  slow?: ReadonlySet<number>
}
type Device = 'phone' | 'tablet' | 'computer'
type Reader = { id: Batch['personId']; team: string; seen: { device: Device; browser: string; language: string }; from: number }
type Edition = { guideId: GuideId; number: number; steps: readonly StepId[]; from: number; until: number }
type Source = { random: () => number; newEventId: () => string; newId: <I extends string>() => I }

const LEAVES_ANYWHERE = 0.012
const GOES_BACK = 0.04

/** One visit of somebody: from the first step on, sometimes back by one, until they leave or are through. */
function visitOf({ guideId, number, steps }: Edition, use: Use, { seen }: Reader, at: number, source: Source): UsageEvent[] {
  const { random, newEventId, newId } = source
  const visit = newId<string>()
  const events: UsageEvent[] = []
  let now = at
  const tell = (event: Pick<UsageEvent, 'verb'> & { part?: StepId; activeMs?: number }) =>
    events.push({
      ...{ id: newEventId(), item: guideItem(guideId), edition: number, way: 'read', visit, occurredAt: Math.round(now) },
      ...event,
    } as UsageEvent)
  tell({ verb: 'opened' })
  for (let index = 0; index < steps.length; index++) {
    const look = (part: StepId, activeMs: number) => {
      tell({ verb: 'step-viewed', part })
      now += activeMs
      tell({ verb: 'time-spent', part, activeMs: Math.round(activeMs) })
    }
    const most = use.slow?.has(index + 1) ? 70 : 22
    look(steps[index]!, (5 + random() * most) * SECOND)
    if (random() < LEAVES_ANYWHERE + use.leaves(index + 1, number, seen.device)) return events
    if (index > 0 && random() < GOES_BACK) {
      look(steps[index - 1]!, (3 + random() * 9) * SECOND)
      look(steps[index]!, (3 + random() * 9) * SECOND)
    }
  }
  tell({ verb: 'finished' })
  return events
}

/** Makes up how people used an edition, day by day, as long as it held.
 * @param whole the time over which `running` counts, epoch milliseconds
 * @returns what their browsers told, each visit in order */
export function usesOf(
  edition: Edition,
  use: Use,
  readers: readonly Reader[],
  whole: { from: number; until: number },
  source: Source,
): (Batch & { seen: Reader['seen'] })[] {
  const { random } = source
  return readers.flatMap((reader) => {
    const often = use.teams[reader.team] ?? use.elsewhere
    const events: UsageEvent[] = []
    for (let day = Math.max(edition.from, reader.from); day < edition.until - DAY; day += DAY) {
      const date = new Date(day)
      if (date.getUTCDay() === 0) continue
      const running = (day - whole.from) / (whole.until - whole.from)
      if (random() >= often * use.season(date, running)) continue
      const at = atWork(day + DAY - (day % DAY), random)
      if (at < edition.until - DAY) events.push(...visitOf(edition, use, reader, at, source))
    }
    const last = events.at(-1)
    return last ? [{ personId: reader.id, at: last.occurredAt + SECOND, events, seen: reader.seen }] : []
  })
}

const browsers = { phone: ['Chrome', 'Chrome', 'Safari'], tablet: ['Chrome'], computer: ['Firefox', 'Chrome', 'Microsoft Edge'] }
/** With what somebody reads: at the desk on a computer, in the houses and at the lines mostly on a phone. */
export function seenOf(team: string, random: () => number): Reader['seen'] {
  const desk = team === 'Order desk' || team === ''
  const device: Device = desk ? 'computer' : random() < 0.68 ? 'phone' : random() < 0.6 ? 'tablet' : 'computer'
  const names = browsers[device]
  return {
    device,
    browser: names[Math.floor(random() * names.length)]!,
    language: random() < 0.82 ? 'en-GB' : random() < 0.6 ? 'pl-PL' : 'de-DE',
  }
}
