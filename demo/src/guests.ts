import { guideItem } from '@jackdaw/core/items'
import type { UsageEvent } from '@jackdaw/core/players'
import { seededRandom, type GuideId, type GuestVisitId, type PersonId, type ShareLinkId, type StepId } from '@jackdaw/core/shared'
import type { DemoServices } from './services'

const DAY = 86_400_000
/** Vehicles whose drivers come to the glasshouses, some more than once. */
const VEHICLES = [
  'LM-204',
  'LM-117',
  'QD-8',
  'LM-204',
  'HX 31',
  'QD-8',
  'LM-350',
  'LM-117',
  'KR-77',
  'LM-204',
  'QD-12',
  'LM-350',
  'HX 31',
  'QD-8',
]
const READS_TO_THE_END = 0.7

/** What guests have read: drivers who wash their hands before they go in, each under the number of the vehicle. */
export async function addGuests(
  services: DemoServices,
  { id: guideId, steps }: { id: GuideId; steps: readonly StepId[] },
  lead: PersonId,
  until: number,
): Promise<void> {
  const random = seededRandom(1_804)
  await services.allowGuests()
  const linkId = services.newId<ShareLinkId>()
  await services.addShareLink({ id: linkId, guideId, asksFor: 'vehicle', by: lead, now: until - 24 * DAY })
  const event = (at: number, more: object) =>
    ({ id: services.newEventId(), way: 'read', item: guideItem(guideId), edition: 1, occurredAt: at, ...more }) as UsageEvent
  for (const [n, number] of VEHICLES.entries()) {
    let at = until - (22 - n * 1.4) * DAY + Math.floor(random() * 5 * 3_600_000)
    const read = random() < READS_TO_THE_END ? steps.length : 1 + Math.floor(random() * (steps.length - 1))
    const events = [event(at, { verb: 'opened' })]
    for (const part of steps.slice(0, read)) {
      const activeMs = 3_000 + Math.floor(random() * 9_000)
      events.push(event(at, { verb: 'step-viewed', part }), event(at + activeMs, { verb: 'time-spent', part, activeMs }))
      at += activeMs
    }
    if (read === steps.length) events.push(event(at, { verb: 'finished' }))
    await services.addGuestVisit({ linkId, visit: services.newId<GuestVisitId>(), number, now: at + 1_000, events })
  }
}
