import { describe, expect, it } from 'vitest'
import { pointsOf, scoreOf, scoreOfAttempt } from './score'
import { acting, guideOf, playOf, says } from './testing'
import { timingOf } from './pace'
import { lacksIn, waysOf } from './usable'

describe('points', () => {
  it.each([
    [1, 0, true, 1],
    [2, 0, true, 0.5],
    [3, 0, true, 0.25],
    [9, 0, true, 0.25],
    [2, 1, true, 0.25],
    [1, 2, true, 0],
    [3, 0, false, 0],
  ] as const)('%i tries, help %i, done %s: %d', (tries, help, done, points) => {
    expect(pointsOf({ tries, help, done, ms: 0 })).toBe(points)
  })
})

describe('a score', () => {
  const steps = Array.from({ length: 5 }, (_, n) => acting(says(`Step ${n}`)))
  const { script } = playOf(guideOf(says('Read this'), ...steps))
  const right = { tries: 1, help: 0 as const, done: true, ms: 2_000 }
  const results = (wrong: number, tries: number) =>
    Object.fromEntries(steps.map((step, n) => [step.id, n < wrong ? { ...right, tries } : right]))
  it.each([
    [0, 1, 100, true],
    [1, 2, 90, true],
    [1, 3, 85, true],
    [2, 2, 80, true],
    [2, 3, 70, false],
    [5, 3, 25, false],
  ])('with %i steps at try %i is %i percent, passed: %s', (wrong, tries, percent, passed) => {
    const score = scoreOf(script, { results: results(wrong, tries) }, 80)
    expect(score).toMatchObject({ percent, passed, judged: 5, rightFirst: 5 - wrong, ms: 10_000 })
    expect(score.missed).toEqual(steps.slice(0, wrong).map((step) => step.id))
  })
  it('is never rounded up to the pass mark, and counts only what was done', () => {
    const three = { [steps[0]!.id]: right, [steps[1]!.id]: right, [steps[2]!.id]: { ...right, done: false } }
    expect(scoreOf(script, { results: three }, 67)).toMatchObject({ percent: 66, passed: false, judged: 3 })
    expect(scoreOf(script, { results: {} }, 1)).toMatchObject({ percent: 0, passed: false })
  })
})

describe('an attempt in Solo', () => {
  const steps = [acting(says('One')), acting(says('Two')), acting(says('')), acting(says('Four'))]
  const document = guideOf(...steps, says('Read this'))
  const { script } = playOf(document)
  const right = { tries: 1, help: 0 as const, done: true, ms: 2_000 }
  const half = { results: { [steps[0]!.id]: right, [steps[2]!.id]: { ...right, tries: 3, done: false } } }
  const all = { results: Object.fromEntries(steps.map((step) => [step.id, right])) }
  it('is scored by what was come to, and passed only at its end', () => {
    expect(scoreOfAttempt(document, script, half, null)).toMatchObject({ percent: 50, judged: 2, passed: false })
    expect(scoreOfAttempt(document, script, all, 'finished')).toMatchObject({ percent: 100, judged: 4, passed: true, activeMs: 8_000 })
  })
  it.each(['given-up', 'expired'] as const)('that was %s counts what was not come to as not done', (ended) => {
    expect(scoreOfAttempt(document, script, half, ended)).toMatchObject({ percent: 25, judged: 4, passed: false })
    expect(scoreOfAttempt(document, script, all, ended)).toMatchObject({ percent: 100, passed: false })
  })
  it('names the steps that were missed, and numbers those without words', () => {
    expect(scoreOfAttempt(document, script, half, null).missed).toEqual([{ stepId: steps[2]!.id, name: '3', tries: 3, done: false }])
  })
})

it('Watch takes as long as reading does, and less at a higher pace', () => {
  const plain = timingOf(20, true, 10, 1)
  expect(plain).toMatchObject({ readMs: 6_000, travelMs: 900, typeMs: 1_200, totalMs: 8_800 })
  expect(timingOf(20, true, 10, 2).totalMs).toBe(4_400)
  expect(timingOf(0, false, 0, 1)).toMatchObject({ readMs: 1_200, travelMs: 0, typeMs: 0 })
  expect(() => timingOf(1, true, 1, 0)).toThrow(RangeError)
})

it('a guide with pictures and actions can be used in every way, one without only be read', () => {
  expect(waysOf(guideOf(acting(says('Save'))))).toEqual(['read', 'watch', 'practise', 'solo'])
  expect(waysOf(guideOf(says('Read this')))).toEqual(['read'])
  const typed = acting(says('Type'), 'type')
  const value = acting(says('Type'), 'type', { value: '6' })
  const guide = guideOf(typed, value, { ...acting(says('Save')), pictures: [] })
  expect([...lacksIn(guide, 'read')]).toEqual([])
  expect([...lacksIn(guide, 'watch').values()]).toEqual([['no-picture']])
  expect([...lacksIn(guide, 'practise').keys()]).toEqual([typed.id, guide.items[2]!.id])
  expect(lacksIn(guide, 'solo').get(value.id)).toEqual(['no-words-for-value'])
})
