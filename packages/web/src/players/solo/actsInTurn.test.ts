import type { SoloAct } from '@jackdaw/contracts/players'
import type { PictureId } from '@jackdaw/core/shared'
import { describe, expect, it } from 'vitest'
import { actsInTurn } from './actsInTurn'

type At = Parameters<ReturnType<typeof actsInTurn>['next']>[0]
const at = (position: number | null, is?: 'right' | 'wrong' | 'part'): At => ({
  screen: position === null ? null : { position },
  said: is === undefined ? null : { is, message: '' },
})
const click = (x: number, how: 'once' | 'double' = 'once'): SoloAct => ({
  type: 'act',
  act: { do: 'click', pictureId: 'p' as PictureId, by: 'mouse', scale: 1, at: { x, y: 1 }, how },
})

describe('acts at a step of the test, done faster than they are judged', () => {
  it('are told in their order, each after the one before', () => {
    const acts = actsInTurn()
    for (const x of [1, 2, 3]) acts.add(click(x), at(6))
    expect([acts.next(at(6)), acts.next(at(6, 'part')), acts.next(at(6, 'part')), acts.next(at(6))]).toEqual([
      click(1),
      click(2),
      click(3),
      undefined,
    ])
  })

  it('are not told at another step than theirs', () => {
    const acts = actsInTurn()
    acts.add(click(1), at(2))
    acts.add(click(2), at(2))
    expect(acts.next(at(2))).toEqual(click(1))
    expect(acts.next(at(3, 'right'))).toBeUndefined()
    acts.add(click(2), at(3))
    expect(acts.next(at(null))).toBeUndefined()
  })

  it('count once when the same is done twice running, while it waits or is judged', () => {
    const acts = actsInTurn()
    acts.add(click(1), at(2))
    acts.add(click(1), at(2))
    acts.running = true
    expect(acts.next(at(2))).toEqual(click(1))
    acts.add(click(1), at(2))
    expect(acts.next(at(2, 'wrong'))).toBeUndefined()
    acts.running = false
    acts.add(click(1), at(2))
    expect(acts.next(at(2, 'wrong'))).toEqual(click(1))
  })

  it('take a double click only where its first half was right so far', () => {
    for (const [is, told] of [
      ['part', click(1, 'double')],
      ['wrong', undefined],
    ] as const) {
      const acts = actsInTurn()
      acts.add(click(1), at(2))
      acts.add(click(1, 'double'), at(2))
      acts.next(at(2))
      expect(acts.next(at(2, is))).toEqual(told)
    }
  })

  it('are no more than a few, and none once it was of no use', () => {
    const acts = actsInTurn()
    for (let x = 0; x < 9; x++) acts.add(click(x), at(1))
    let told = 0
    while (acts.next(at(1))) told++
    expect(told).toBe(4)
    acts.add(click(1), at(1))
    acts.clear()
    expect(acts.next(at(1))).toBeUndefined()
  })
})
