import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { canFinish, furthestOpen, reduceReader, startReading, unseen, type ReaderEvent } from './reader'

const steps = ['a', 'b', 'c', 'd']
const fresh = { lastStepId: null, seen: [], acknowledged: [], confirmed: [], finished: false }
const play = (confirmSteps: boolean, events: ReaderEvent[], known: Parameters<typeof startReading>[2] = fresh, cautions: string[] = []) =>
  events.reduce(
    (soFar, event) => {
      const next = reduceReader(soFar.state, event)
      return { state: next.state, effects: [...soFar.effects, ...next.effects] }
    },
    startReading(steps, confirmSteps, known, cautions),
  )
const anyEvent: fc.Arbitrary<ReaderEvent> = fc.oneof(
  fc.constantFrom<ReaderEvent>({ type: 'next' }, { type: 'back' }, { type: 'acknowledge' }, { type: 'confirm' }, { type: 'finish' }),
  fc.integer({ min: -2, max: 9 }).map((to): ReaderEvent => ({ type: 'go', to })),
)

describe('the reader', () => {
  it('goes from the first step to the closing page and is done', () => {
    const { state, effects } = play(false, [{ type: 'next' }, { type: 'next' }, { type: 'next' }, { type: 'next' }, { type: 'finish' }])
    expect(state).toMatchObject({ at: 4, finished: true })
    expect(effects.map((effect) => effect.tell)).toEqual(['step-viewed', 'step-viewed', 'step-viewed', 'step-viewed', 'finished'])
  })
  it('goes on where the person was', () => {
    expect(play(false, [], { lastStepId: 'c', seen: ['a', 'c'], acknowledged: [], confirmed: [], finished: false }).state.at).toBe(2)
  })
  it('begins at the front when the step is no longer there', () => {
    expect(play(false, [], { ...fresh, lastStepId: 'gone', seen: ['gone'] }).state).toMatchObject({ at: 0, seen: new Set(['a']) })
  })
  it('opens a step only when the one before is confirmed, where the author asks for it', () => {
    expect(play(true, [{ type: 'next' }, { type: 'go', to: 3 }]).state.at).toBe(0)
    expect(play(true, [{ type: 'confirm' }, { type: 'go', to: 3 }]).state.at).toBe(1)
    expect(play(true, [], { lastStepId: 'd', seen: steps, acknowledged: [], confirmed: ['a'], finished: false }).state.at).toBe(1)
  })
  it('goes on past a caution only once it is acknowledged, and tells so once', () => {
    const stuck = play(true, [{ type: 'confirm' }, { type: 'next' }], fresh, ['a'])
    expect(stuck.state).toMatchObject({ at: 0, confirmed: new Set() })
    const { state, effects } = play(
      false,
      [{ type: 'acknowledge' }, { type: 'acknowledge' }, { type: 'next' }, { type: 'go', to: 4 }],
      fresh,
      ['a', 'c'],
    )
    expect(state.at).toBe(2)
    expect(effects.filter((effect) => effect.tell === 'step-acknowledged')).toEqual([{ tell: 'step-acknowledged', stepId: 'a' }])
  })
  it('is not done while a step was jumped over', () => {
    const { state } = play(false, [{ type: 'go', to: 4 }, { type: 'finish' }])
    expect(state.finished).toBe(false)
    expect(unseen(state)).toEqual([1, 2, 3])
  })
  it('always has a way on or back, never passes a gate, and finishes once', () => {
    fc.assert(
      fc.property(fc.boolean(), fc.subarray(steps), fc.array(anyEvent, { maxLength: 60 }), (confirmSteps, cautions, events) => {
        const { state, effects } = play(confirmSteps, events, fresh, cautions)
        if (state.finished) expect(cautions.filter((id) => !state.acknowledged.has(id))).toEqual([])
        expect(state.at).toBeGreaterThanOrEqual(0)
        expect(state.at).toBeLessThanOrEqual(furthestOpen(state))
        expect(effects.filter((effect) => effect.tell === 'finished').length).toBe(state.finished ? 1 : 0)
        if (state.finished) expect(canFinish(state)).toBe(true)
        const each = steps.flatMap((_, index): ReaderEvent[] => [{ type: 'go', to: index }, { type: 'acknowledge' }, { type: 'confirm' }])
        const onward = play(confirmSteps, [...events, ...each, { type: 'go', to: 4 }, { type: 'finish' }], fresh, cautions)
        expect(onward.state.finished).toBe(true)
      }),
    )
  })
})
