import { UsageEvent } from '@jackdaw/core/players'
import { seededIds, seededRandom, type GuideId, type PersonId, type StepId } from '@jackdaw/core/shared'
import { v7 as uuidV7 } from 'uuid'
import { expect, it } from 'vitest'
import { usesOf, type Use } from './yearOfUse'

const DAY = 86_400_000
const ids = seededIds(12)
const until = Date.parse('2026-03-10T09:00:00Z')
const from = until - 300 * DAY
const steps = Array.from({ length: 7 }, () => ids() as StepId)
const use: Use = {
  teams: { Drivers: 0.2 },
  elsewhere: 0.01,
  season: (day) => (day.getUTCMonth() < 3 ? 1 : 0.5),
  leaves: (step, _edition, device) => (step === 4 && device === 'phone' ? 0.5 : 0),
}
const reader = (team: string, device: 'phone' | 'computer', since = from) => ({
  ...{ id: ids() as PersonId, team, from: since },
  seen: { device, browser: 'Firefox', language: 'en-GB' },
})
const readers = [
  reader('Drivers', 'phone'),
  reader('Drivers', 'computer'),
  reader('Seeding', 'phone'),
  reader('Drivers', 'computer', until - 20 * DAY),
]
const edition = { guideId: ids() as GuideId, number: 1, steps, from, until }
const made = usesOf(edition, use, readers, { from, until }, { random: seededRandom(3), newEventId: uuidV7, newId: ids })
const events = made.flatMap((batch) => batch.events)
const visits = [...new Set(events.map(({ visit }) => visit))].map((visit) => events.filter((event) => event.visit === visit))

it('is made of events that the server takes, while the edition held and the reader was there', () => {
  for (const event of events) expect(UsageEvent.safeParse(event).error).toBeUndefined()
  for (const { personId, at, events: told } of made) {
    const since = readers.find(({ id }) => id === personId)!.from
    for (const { occurredAt } of told) expect(occurredAt >= since && occurredAt < at && at < until).toBe(true)
  }
})
it('finishes only what was gone through to the end', () => {
  for (const visit of visits)
    if (visit.some(({ verb }) => verb === 'finished'))
      expect(new Set(visit.flatMap((event) => ('part' in event ? [event.part] : [])))).toEqual(new Set(steps))
  expect(visits.length).toBeGreaterThan(50)
})
it('is used more by the team, and left more often where a phone does not do', () => {
  const of = (n: number) => made.find(({ personId }) => personId === readers[n]!.id)?.events ?? []
  const opened = (n: number) => of(n).filter(({ verb }) => verb === 'opened').length
  const finished = (n: number) => of(n).filter(({ verb }) => verb === 'finished').length
  expect(opened(0)).toBeGreaterThan(5 * opened(2))
  expect(finished(1) / opened(1)).toBeGreaterThan(finished(0) / opened(0) + 0.2)
})
