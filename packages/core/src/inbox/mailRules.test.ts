import { expect, it } from 'vitest'
import { isQuiet } from './index'

const quiet = (time: string, quietFrom: number, quietUntil: number, zone = 'UTC') =>
  isQuiet(Date.parse(`2026-03-10T${time}:00Z`), zone, { quietFrom, quietUntil })

it('waits through the quiet hours where the person works, also over midnight', () => {
  expect(['06:59', '07:00', '17:59', '18:00', '23:30'].map((time) => quiet(time, 18, 7))).toEqual([true, false, false, true, true])
  expect(quiet('06:30', 18, 7, 'Europe/Warsaw')).toBe(false)
  expect(['11:59', '12:00', '13:00'].map((time) => quiet(time, 12, 13))).toEqual([false, true, false])
})
it('never waits where the hours are the same', () => {
  expect(['00:00', '07:00', '12:00'].map((time) => quiet(time, 7, 7))).toEqual([false, false, false])
})
