import { expect, it } from 'vitest'
import { addDays, type LocalDate } from '../shared'
import { daysLooked, isMailDue, type MailedEvery } from './figurePage'

const day = (text: string) => text as LocalDate

it('looks at the last four weeks unless other days are chosen', () => {
  const today = day('2026-03-10')
  expect(daysLooked({}, today)).toEqual({ from: '2026-02-11', to: today })
  expect(daysLooked({ days: '7', from: day('2020-01-01') }, today)).toEqual({ from: '2026-03-04', to: today })
  expect(daysLooked({ days: 'own', from: day('2026-01-01') }, today)).toEqual({ from: '2026-01-01', to: today })
  expect(daysLooked({ days: 'own', from: day('2026-01-01'), to: day('2026-01-31') }, today).to).toBe('2026-01-31')
})
it('is mailed once on each Monday or first of the month, and made up for when that was missed', () => {
  const mailed = (every: MailedEvery, from: string, days: number, isDown: (today: LocalDate) => boolean = () => false) => {
    let last = day(from)
    const on: string[] = []
    for (let n = 1; n <= days; n++) {
      const today = addDays(day(from), n)
      if (isDown(today) || !isMailDue(every, last, today)) continue
      on.push(today)
      last = today
    }
    return on
  }
  expect(mailed('week', '2026-03-09', 21)).toEqual(['2026-03-16', '2026-03-23', '2026-03-30'])
  expect(mailed('week', '2026-03-10', 7, (today) => today === '2026-03-16')).toEqual(['2026-03-17'])
  expect(mailed('month', '2025-12-15', 60)).toEqual(['2026-01-01', '2026-02-01'])
  expect(mailed('month', '2026-01-31', 20, (today) => today < '2026-02-03')).toEqual(['2026-02-03'])
})
