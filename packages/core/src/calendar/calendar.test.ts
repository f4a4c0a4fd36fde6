import { describe, expect, it } from 'vitest'
import { addDays, seededRandom, type LocalDate } from '../shared'
import {
  dayAfter,
  DaysOff,
  isWorkingDay,
  readHolidays,
  USUAL_CALENDAR,
  weekdayOf,
  whenBack,
  workingDayFrom,
  WEEKDAYS,
  type Away,
  type WorkCalendar,
} from './index'

const day = (text: string) => text as LocalDate
const christmas: WorkCalendar = { ...USUAL_CALENDAR, holidays: new Set(['2026-12-25', '2026-12-28', '2027-01-01'].map(day)) }

describe('a calendar of work', () => {
  it('knows the days of the week', () => {
    expect(weekdayOf(day('2026-11-29'))).toBe(7)
    expect(weekdayOf(day('2026-11-30'))).toBe(1)
    expect(weekdayOf(day('2024-02-29'))).toBe(4)
  })
  it('goes on to the next day on which somebody works', () => {
    expect(workingDayFrom(christmas, day('2026-12-24'))).toBe('2026-12-24')
    expect(workingDayFrom(christmas, day('2026-12-25'))).toBe('2026-12-29')
  })
  it('has at least one such day a week', () => {
    expect(DaysOff.safeParse([1, 2, 3, 4, 5, 6]).success).toBe(true)
    expect(DaysOff.safeParse(WEEKDAYS).success).toBe(false)
    expect(DaysOff.safeParse([6, 6]).success).toBe(false)
    expect(DaysOff.safeParse([0]).success).toBe(false)
  })
})

describe('counting days', () => {
  const away: Away[] = [{ from: day('2026-12-22'), until: day('2026-12-23') }]
  it.each<[string, string, number, boolean, readonly Away[], string]>([
    ['all days', '2026-12-21', 5, false, [], '2026-12-26'],
    ['working days, over a weekend and two holidays', '2026-12-21', 5, true, [], '2026-12-30'],
    ['all days but two, on which they are away', '2026-12-21', 5, false, away, '2026-12-28'],
    ['working days but two', '2026-12-21', 5, true, away, '2027-01-04'],
    ['none', '2026-12-25', 0, true, [], '2026-12-25'],
    ['from within an absence', '2026-12-22', 1, false, away, '2026-12-24'],
  ])('takes %s', (_, from, days, working, absences, expected) =>
    expect(dayAfter(day(from), days, { working, calendar: christmas, away: absences })).toBe(expected),
  )
  it('waits for whoever is away on a date until they are back at work', () => {
    expect(whenBack(day('2026-12-21'), { calendar: christmas, away })).toBe('2026-12-21')
    expect(whenBack(day('2026-12-22'), { calendar: christmas, away })).toBe('2026-12-24')
    const longer: Away[] = [
      ...away,
      { from: day('2026-12-24'), until: day('2026-12-24') },
      { from: day('2026-12-29'), until: day('2027-01-01') },
    ]
    expect(whenBack(day('2026-12-23'), { calendar: christmas, away: longer })).toBe('2027-01-04')
  })
  it('is the same as going from day to day and looking at each', () => {
    const random = seededRandom(5)
    const some = (n: number) => Math.floor(random() * n)
    for (let round = 0; round < 300; round++) {
      const from = addDays(day('2026-01-01'), some(400))
      const calendar = {
        daysOff: new Set(WEEKDAYS.filter(() => random() < 0.3).slice(0, 6)),
        holidays: new Set(Array.from({ length: some(20) }, () => addDays(from, some(60)))),
      }
      const absences = Array.from({ length: some(4) }, () => {
        const begin = addDays(from, some(80) - 10)
        return { from: begin, until: addDays(begin, some(20)) }
      })
      const [days, working] = [some(40), random() < 0.5]
      let [expected, left] = [from, days]
      while (left > 0) {
        expected = addDays(expected, 1)
        if (absences.some((each) => each.from <= expected && expected <= each.until)) continue
        if (!working || isWorkingDay(calendar, expected)) left--
      }
      expect(dayAfter(from, days, { working, calendar, away: absences })).toBe(expected)
    }
  })
  it('refuses what is no number of days', () => {
    expect(() => dayAfter(day('2026-01-01'), -1, { working: false, calendar: christmas, away: [] })).toThrow(RangeError)
  })
})

const file = (...entries: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Larkmoor//Days off//EN', ...entries, 'END:VCALENDAR'].join('\r\n')
const entry = (...lines: string[]) => ['BEGIN:VEVENT', 'UID:a', ...lines, 'END:VEVENT'].join('\r\n')
const read = (text: string) => readHolidays(text, day('2026-01-01'), day('2028-12-31'))

describe('a calendar file', () => {
  it('gives single days, spans of days, and days that come every year, each once and in order', () => {
    const text = file(
      entry('SUMMARY:New Year', 'DTSTART;VALUE=DATE:20200101', 'RRULE:FREQ=YEARLY'),
      entry('SUMMARY:Between the years', 'DTSTART;VALUE=DATE:20261228', 'DTEND;VALUE=DATE:20270102'),
      entry('SUMMARY:Harvest\\, the day after', 'DTSTART;VALUE=DATE:20260914'),
      entry('SUMMARY:Last Monday of May', 'DTSTART;VALUE=DATE:20250526', 'RRULE:FREQ=YEARLY;BYMONTH=5;BYDAY=-1MO'),
    )
    expect(read(text)).toEqual({
      ok: true,
      left: 0,
      holidays: [
        { day: '2026-01-01', name: 'New Year' },
        { day: '2026-05-25', name: 'Last Monday of May' },
        { day: '2026-09-14', name: 'Harvest, the day after' },
        ...['28', '29', '30', '31'].map((n) => ({ day: `2026-12-${n}`, name: 'Between the years' })),
        { day: '2027-01-01', name: 'New Year, Between the years' },
        { day: '2027-05-31', name: 'Last Monday of May' },
        { day: '2028-01-01', name: 'New Year' },
        { day: '2028-05-29', name: 'Last Monday of May' },
      ],
    })
  })
  it('leaves out what has a time of day, was called off or cannot be read, and says how many', () => {
    const text = file(
      entry('SUMMARY:Meeting', 'DTSTART:20260914T090000Z'),
      entry('SUMMARY:Called off', 'STATUS:CANCELLED', 'DTSTART;VALUE=DATE:20260915'),
      entry('SUMMARY:Never'),
      entry('SUMMARY:Stays', 'DTSTART;VALUE=DATE:20260916'),
    )
    expect(read(text)).toEqual({ ok: true, left: 3, holidays: [{ day: '2026-09-16', name: 'Stays' }] })
  })
  it.each([
    ['no calendar', 'Day;Name\n2026-01-01;New Year'],
    ['a calendar without days', file()],
    ['another thing in this format', 'BEGIN:VCARD\r\nFN:Ola\r\nEND:VCARD'],
    ['a day that comes every day', file(entry('SUMMARY:x', 'DTSTART;VALUE=DATE:19000101', 'RRULE:FREQ=DAILY'))],
  ])('is refused with words when it is %s', (_, text) => expect(read(text)).toEqual({ ok: false, words: expect.any(String) }))
})
