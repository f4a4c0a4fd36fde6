import { NOBODY, type Condition } from '@jackdaw/core/audiences'
import { seededIds, type GroupId } from '@jackdaw/core/shared'
import { expect, it } from 'vitest'
import { beginning, isWhole, wholeRule, withPart } from './ruleDraft'

const group = seededIds(3)<GroupId>()
const inGroup: Condition = { asks: 'group', groups: [group] }
const outside: Condition = { ...inGroup, not: true }

it('is no rule while a list is empty, and one once nothing is missing', () => {
  const empty = beginning('group', '2026-03-01', undefined)
  expect(isWhole(empty)).toBe(false)
  expect(wholeRule({ ...NOBODY, of: [empty] })).toBeNull()
  expect(wholeRule({ ...NOBODY, of: [inGroup, { join: 'all', of: [empty, inGroup] }] })).toBeNull()
  expect(wholeRule({ ...NOBODY, of: [inGroup] })).toEqual({ ...NOBODY, of: [inGroup] })
})
it('begins with conditions that ask for something by themselves where there is something usual', () => {
  expect((['started-since', 'started-within', 'level'] as const).map((asks) => isWhole(beginning(asks, '2026-03-01', true)))).toEqual([
    true,
    true,
    true,
  ])
  expect(beginning('level', '2026-03-01', true)).toMatchObject({ not: true })
})
it('takes brackets around one condition for that condition, turned round where they are', () => {
  const of = (not: boolean, condition: Condition) =>
    wholeRule({ ...NOBODY, of: [{ join: 'all', of: [condition], ...(not ? { not: true } : {}) }] })?.of
  expect(of(false, inGroup)).toEqual([inGroup])
  expect(of(true, inGroup)).toEqual([outside])
  expect(of(true, outside)).toEqual([inGroup])
  expect(wholeRule({ ...NOBODY, of: [{ join: 'any', of: [] }] })).toEqual(NOBODY)
})
it('replaces a part or takes it out', () => {
  expect(withPart(['a', 'b', 'c'], 1, 'x')).toEqual(['a', 'x', 'c'])
  expect(withPart(['a', 'b', 'c'], 1, null)).toEqual(['a', 'c'])
})
