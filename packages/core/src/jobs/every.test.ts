import { expect, it } from 'vitest'
import { turnAt } from './every'

const DAY_MS = 86_400_000
const atTwo = { ms: DAY_MS, afterMs: 2 * 3_600_000 }

it('has a new turn when the time comes, and none between', () => {
  const at = (time: string) => turnAt(atTwo, Date.parse(time))
  expect(at('2026-03-10T01:59:59.999Z')).toBe(at('2026-03-09T02:00:00Z'))
  expect(at('2026-03-10T02:00:00Z')).toBe(at('2026-03-10T01:59:59.999Z') + 1)
  expect(at('2026-03-11T01:00:00Z')).toBe(at('2026-03-10T02:00:00Z'))
})
it('refuses a period that never ends', () => expect(() => turnAt({ ms: 0, afterMs: 0 }, 0)).toThrow(RangeError))
