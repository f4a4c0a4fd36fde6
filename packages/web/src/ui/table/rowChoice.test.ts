import { describe, expect, it } from 'vitest'
import { afterTick, chosenAmong } from './rowChoice'

const KEYS = ['a', 'b', 'c', 'd', 'e']
const tick = (chosen: string[], key: string, last: string | null = null, range = false, keys = KEYS) =>
  [...afterTick(keys, new Set(chosen), { key, last, range })].sort()

describe('rows that are chosen', () => {
  it('are chosen by a tick, and not by a second one', () => {
    expect(tick([], 'b')).toEqual(['b'])
    expect(tick(['a', 'b'], 'b')).toEqual(['a'])
  })

  it('are all from the last one on with Shift, up or down, and stay so', () => {
    expect(tick(['b'], 'd', 'b', true)).toEqual(['b', 'c', 'd'])
    expect(tick(['d'], 'b', 'd', true)).toEqual(['b', 'c', 'd'])
    expect(tick(['b', 'c', 'd'], 'd', 'b', true)).toEqual(['b', 'c', 'd'])
    expect(tick(['e'], 'c', 'a', true)).toEqual(['a', 'b', 'c', 'e'])
  })

  it('are only the one ticked where the last one has left the list, or there was none', () => {
    expect(tick([], 'd', 'x', true)).toEqual(['d'])
    expect(tick([], 'd', null, true)).toEqual(['d'])
  })

  it('are never what is not in the list', () => {
    expect(tick(['a'], 'x')).toEqual(['a'])
    expect([...chosenAmong(['a', 'c'], new Set(['c', 'b', 'a']))]).toEqual(['a', 'c'])
  })

  it('leave what was given as it was', () => {
    const before = new Set(['a'])
    afterTick(KEYS, before, { key: 'b', last: null, range: false })
    expect([...before]).toEqual(['a'])
  })
})
