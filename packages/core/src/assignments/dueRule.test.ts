import { describe, expect, it } from 'vitest'
import type { LocalDate } from '../shared'
import { dueFor } from './dueRule'

const now = Date.parse('2026-03-10T12:00:00Z')

describe('the due day', () => {
  it('counts days from the local day on which the person got the item', () => {
    const late = Date.parse('2026-03-10T23:30:00Z')
    expect(dueFor({ kind: 'days', days: 7 }, late, 'Europe/London')?.on).toBe('2026-03-17')
    expect(dueFor({ kind: 'days', days: 7 }, late, 'Europe/Warsaw')?.on).toBe('2026-03-18')
  })
  it('is over at the end of the day in the person’s zone', () => {
    const due = dueFor({ kind: 'date', date: '2026-07-01' as LocalDate }, now, 'Europe/London')
    expect(new Date(due!.at).toISOString()).toBe('2026-07-01T23:00:00.000Z')
    expect(dueFor({ kind: 'none' }, now, 'Europe/London')).toBeNull()
  })
})
