import { describe, expect, it } from 'vitest'
import { addDays, type LocalDate } from '../shared'
import { offsetsOf, reminderDue, ReminderRules, USUAL_REMINDERS } from './index'

const day = (text: string) => text as LocalDate
const due = day('2026-03-20')
const offsets = offsetsOf({ before: [3], after: [1, 7], managerAfter: null }, 7)

describe('a reminder', () => {
  it('is due on its days before and after the due day', () => {
    const sent: string[] = []
    let last: number | null = null
    for (let n = -10; n <= 30; n++) {
      const today = addDays(due, n)
      const stage = reminderDue(due, today, day('2026-03-01'), offsets)
      if (stage !== null && stage !== last) sent.push(`${today} ${stage}`)
      last = stage ?? last
    }
    expect(sent).toEqual(['2026-03-13 -7', '2026-03-17 -3', '2026-03-21 1', '2026-03-27 7'])
  })
  it('is made up for when it was missed by some days, and then no more', () => {
    const at = (today: string) => reminderDue(due, day(today), day('2026-03-01'), offsets)
    expect([at('2026-03-24'), at('2026-03-25'), at('2026-03-30'), at('2026-03-31')]).toEqual([1, null, 7, null])
  })
  it('is not due on the day on which somebody is given it, nor for days before that', () => {
    expect(reminderDue(due, day('2026-03-18'), day('2026-03-18'), offsets)).toBeNull()
    expect(reminderDue(due, day('2026-03-17'), day('2026-03-17'), offsets)).toBeNull()
    expect(reminderDue(due, day('2026-03-17'), day('2026-03-16'), offsets)).toBe(-3)
  })
})
it('holds each day once, the person’s own among them', () => {
  expect(offsetsOf(USUAL_REMINDERS, 3)).toEqual([-3, 1, 7])
  expect(offsetsOf(USUAL_REMINDERS, 10)).toEqual([-3, -10, 1, 7])
  expect(ReminderRules.safeParse({ before: [0], after: [], managerAfter: null }).success).toBe(false)
})
