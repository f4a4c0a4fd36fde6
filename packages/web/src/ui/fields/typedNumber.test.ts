import { describe, expect, it } from 'vitest'
import { stepped, typedNumber } from './typedNumber'

describe('a number that somebody types', () => {
  it.each([
    ['12', 12],
    [' 12 ', 12],
    ['2,5', 2.5],
    ['2.5', 2.5],
    ['-3', -3],
    ['.5', 0.5],
    ['7.', 7],
  ])('reads %j', (text, number) => expect(typedNumber(text, {})).toBe(number))

  it.each(['', '  ', 'twelve', '1e3', '0x10', '1,000.5', '1 2', '-', '∞', 'Infinity'])('takes %j for none', (text) =>
    expect(typedNumber(text, {})).toBeUndefined(),
  )

  it('is none where nothing is typed and that is allowed', () => {
    expect(typedNumber(' ', { empty: true })).toBeNull()
  })

  it('holds to its rule', () => {
    const rule = { min: 1, max: 730, whole: true }
    expect(['0', '1', '730', '731', '1.5'].map((text) => typedNumber(text, rule))).toEqual([undefined, 1, 730, undefined, undefined])
  })

  it('is moved by steps without leaving its range, and without the dust of fractions', () => {
    expect(stepped(0.1, 0.2, {})).toBe(0.3)
    expect(stepped(99, 10, { max: 100 })).toBe(100)
    expect(stepped(1, -1, { min: 1 })).toBe(1)
  })
})
