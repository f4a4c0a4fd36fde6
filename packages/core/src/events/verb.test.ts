import { expect, it } from 'vitest'
import type { GuideId } from '../shared'
import { seededIds } from '../shared'
import { USAGE_VERBS, UsageEvent } from '../players'
import { inTodaysForm } from './oldEvents'
import type { Verb, Verbs } from './verb'

// What is checked here is checked by the compiler: a line that compiles in spite of `@ts-expect-error` is an error.
const { marks: _marks, ...withoutMarks } = USAGE_VERBS.finished
// @ts-expect-error a verb that does not say what it means for how far somebody is
export const vague: Verb = withoutMarks
// @ts-expect-error a verb that somebody tells who never tells anything
export const foreign: Verbs = { heard: { ...USAGE_VERBS.opened, toldBy: 'neighbour' } }

const ids = seededIds(5)
const [guideId, stepId, playId] = [ids() as GuideId, ids(), ids()]
const base = { id: '01900000-0000-7000-8000-000000000000', edition: 1, occurredAt: 5 }
// @ts-expect-error an event about a part that does not say which
export const partless: UsageEvent = { ...base, item: { kind: 'guide', id: guideId }, way: 'read', verb: 'step-viewed' }

const takes = (event: object) => UsageEvent.safeParse(event).success
it('an event is taken with what its verb declares, in the ways in which it can happen', () => {
  const item = { kind: 'guide', id: guideId }
  const event = { ...base, item, way: 'read', verb: 'time-spent', part: stepId, activeMs: 7 }
  expect(takes(event)).toBe(true)
  for (const wrong of [{ part: undefined }, { activeMs: 0 }, { way: 'solo' }, { verb: 'voided' }, { item: undefined }, { edition: 0 }])
    expect([wrong, takes({ ...event, ...wrong })]).toEqual([wrong, false])
  expect(takes({ ...event, verb: 'step-done', tries: 1, help: 0 })).toBe(false)
  expect(UsageEvent.parse({ ...event, way: 'practise', verb: 'step-done', tries: 1, help: 0 })).toMatchObject({ done: true })
})
it('an event of an older page becomes one of today; what is none stays what it is', () => {
  const old = { ...base, guideId, stepId, playId, way: 'read', verb: 'step-viewed' }
  const now = { ...base, item: { kind: 'guide', id: guideId }, part: stepId, visit: playId, way: 'read', verb: 'step-viewed' }
  expect(inTodaysForm(old)).toEqual(now)
  expect(inTodaysForm(now)).toBe(now)
  expect([inTodaysForm(null), inTodaysForm('x')]).toEqual([null, 'x'])
})
