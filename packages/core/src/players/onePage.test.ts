import { describe, expect, it } from 'vitest'
import type { Step } from '../guides'
import type { Play } from './moves'
import { recall, reduce, type PlayerEvent } from './player'
import type { PlayerState } from './state'
import { guideOf, playOf, says } from './testing'

type Doing = PlayerEvent extends infer E ? (E extends PlayerEvent ? Omit<E, 'at'> : never) : never
const [one, two, three, four] = [says('One'), says('Two'), says('Three'), says('Four')]
const reading = { lastStepId: null, seen: [], acknowledged: [], confirmed: [], finished: false }
const caution = (step: Step): Step => ({ ...step, cautions: [{ id: 'caution-1', level: 'danger', words: 'Hot', acknowledge: true }] })
function run(play: Play, from: PlayerState, events: readonly Doing[]) {
  let state = from
  const told = events.flatMap((event, n) => {
    const next = reduce(state, { ...event, at: 1_000 * n } as PlayerEvent, play)
    state = next.state
    return next.effects.flatMap((each) => (each.do === 'tell' ? [each] : []))
  })
  return { state, told }
}

describe('Read, as one page', () => {
  it('tells what was on the screen long enough, not what was looked at; and nothing of what is closed', () => {
    const warned = guideOf(one, caution(two), three, four)
    const play = playOf(warned)
    const first = recall(play, reading, 0, true)
    expect([first.state.at, first.state.seen, first.effects.filter((each) => each.do === 'tell')]).toEqual([one.id, [], []])
    const { state, told } = run(play, first.state, [
      { type: 'look', id: two.id },
      { type: 'read', id: two.id },
      { type: 'read', id: two.id },
      { type: 'look', id: four.id },
      { type: 'read', id: three.id },
    ])
    expect([state.at, state.seen, told.map((each) => [each.verb, 'stepId' in each && each.stepId])]).toEqual([
      two.id,
      [two.id],
      [['step-viewed', two.id]],
    ])
    const on = run(play, state, [{ type: 'acknowledge' }, { type: 'read', id: three.id }, { type: 'look', id: four.id }])
    expect(on.state).toMatchObject({ at: four.id, seen: [two.id, three.id] })
  })
  it('confirms a step without going on', () => {
    const play = playOf({ ...guideOf(one, two), confirmSteps: true })
    const { state, told } = run(play, recall(play, reading, 0, true).state, [
      { type: 'read', id: one.id },
      { type: 'confirm', stays: true },
    ])
    expect([state.at, state.seen, state.confirmed]).toEqual([one.id, [one.id], [one.id]])
    expect(told.map((each) => each.verb)).toEqual(['step-viewed', 'step-confirmed'])
  })
})
