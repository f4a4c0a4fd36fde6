import { UsageEvent } from '@jackdaw/core/players'
import { seededIds, seededRandom, type GuideId, type StepId } from '@jackdaw/core/shared'
import fc from 'fast-check'
import { v7 as uuidV7 } from 'uuid'
import { describe, expect, it } from 'vitest'
import { readingEvents, type Reading } from './activity'

const ids = seededIds(77)
const FROM = Date.parse('2026-01-12T08:00:00Z')
const DAY = 86_400_000
const steps = Array.from({ length: 9 }, () => ids() as StepId)
const reading = (more: Partial<Reading> = {}): Reading => ({
  guideId: ids() as GuideId,
  edition: 1,
  steps,
  confirmSteps: false,
  from: FROM,
  until: FROM + 60 * DAY,
  diligence: 0.8,
  starts: 1,
  stopAt: undefined,
  ...more,
})
const made = (seed: number, more: Partial<Reading> = {}) => readingEvents(reading(more), { random: seededRandom(seed), newEventId: uuidV7 })

describe('made-up reading', () => {
  it('is made of events that the server takes, in the order of time and within the period', () => {
    fc.assert(
      fc.property(fc.integer(), fc.boolean(), fc.double({ min: 0, max: 1, noNaN: true }), (seed, confirmSteps, diligence) => {
        const batches = made(seed, { confirmSteps, diligence })
        const events = batches.flatMap((batch) => batch.events)
        for (const event of events) expect(UsageEvent.safeParse(event).error).toBeUndefined()
        const times = events.map((event) => event.occurredAt)
        expect([...times].sort((a, b) => a - b)).toEqual(times)
        for (const at of times) expect(at >= FROM && at < FROM + 60 * DAY).toBe(true)
        for (const batch of batches) expect(batch.events.every((event) => event.occurredAt <= batch.at)).toBe(true)
      }),
    )
  })
  it('says “finished” once, and only after every step was seen and, where asked for, confirmed', () => {
    let finished = 0
    for (let seed = 0; seed < 200; seed++) {
      const confirmSteps = seed % 2 === 0
      const events = made(seed, { confirmSteps }).flatMap((batch) => batch.events)
      const ends = events.filter((event) => event.verb === 'finished')
      expect(ends.length).toBeLessThanOrEqual(1)
      if (ends.length === 0) continue
      finished++
      expect(events.at(-1)?.verb).toBe('finished')
      const with_ = (verb: string) => new Set(events.flatMap((event) => (event.verb === verb && 'part' in event ? [event.part] : [])))
      expect(with_('step-viewed').size).toBe(steps.length)
      if (confirmSteps) expect(with_('step-confirmed').size).toBe(steps.length)
    }
    expect(finished).toBeGreaterThan(80)
  })
  it('is read by day, and not on Sundays', () => {
    for (let seed = 0; seed < 100; seed++)
      for (const batch of made(seed)) {
        const opened = new Date(batch.events[0]!.occurredAt)
        expect(opened.getUTCDay()).not.toBe(0)
        expect(opened.getUTCHours()).toBeGreaterThanOrEqual(6)
        expect(opened.getUTCHours()).toBeLessThan(18)
      }
  })
  it('stops where it is told to, and begins less often with the less diligent', () => {
    const stopped = (share: number) =>
      Array.from({ length: 300 }, (_, seed) => made(seed, { stopAt: { step: 5, share }, until: FROM + 30 * DAY })[0]).filter(
        (batch) => batch && batch.events.filter((event) => event.verb === 'step-viewed').length === 5,
      ).length
    expect(stopped(0.8)).toBeGreaterThan(3 * stopped(0))
    const begun = (diligence: number) =>
      Array.from({ length: 300 }, (_, seed) => made(seed, { diligence })).filter((batches) => batches.length > 0).length
    expect(begun(0.1)).toBeLessThan(begun(0.9) * 0.7)
    expect(made(1, { starts: 0 })).toEqual([])
  })
})
