import { expect, it } from 'vitest'
import { FirstStep, orderSteps } from './index'

const names = (there: FirstStep[]) => orderSteps(new Set(there)).map(({ step }) => step)

it('leads a new company through what opens most first', () => {
  expect(names([]).slice(0, 3)).toEqual(['people', 'guide', 'teams'])
  expect(names(['people', 'guide', 'teams', 'leaders'])[0]).toBe('sign-in')
  expect(orderSteps(new Set()).find(({ step }) => step === 'read')).toMatchObject({ done: false, waits: ['guide', 'sign-in'] })
})
it('puts what can be taken now before what waits, and what is done last, whatever is there', () => {
  for (let n = 0; n < 2 ** FirstStep.options.length; n++) {
    const there = new Set(FirstStep.options.filter((_, at) => n & (1 << at)))
    const steps = orderSteps(there)
    expect(steps.map(({ step }) => step).sort()).toEqual([...FirstStep.options].sort())
    const ranks = steps.map(({ done, waits }) => (done ? 2 : waits.length > 0 ? 1 : 0))
    expect(ranks).toEqual([...ranks].sort())
    // There is always something that can be done, until all is done.
    expect(ranks[0] === 0 || there.size === FirstStep.options.length).toBe(true)
  }
})
it('asks for a reader only once there is a guide and somebody who can come in', () => {
  const at = (there: FirstStep[]) => orderSteps(new Set(there)).find(({ step }) => step === 'read')!.waits
  expect(at(['people', 'guide'])).toEqual(['sign-in'])
  expect(at(['people', 'guide', 'sign-in'])).toEqual([])
})
