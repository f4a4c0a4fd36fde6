import { describe, expect, it } from 'vitest'
import type { LocalDate } from '../shared'
import { dueFor } from './dueRule'
import { DUE_SOON_MS, readingState, type ReadingFacts } from './readingState'

const facts = (more: Partial<ReadingFacts>): ReadingFacts => ({
  finishedEdition: null,
  requiredEdition: 1,
  opened: false,
  dueAt: null,
  ...more,
})
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

describe('the state of reading', () => {
  it.each<[string, Partial<ReadingFacts>, string]>([
    ['nothing happened', {}, 'not-started'],
    ['it was opened', { opened: true }, 'in-progress'],
    ['it was finished', { opened: true, finishedEdition: 1, dueAt: now - 1 }, 'done'],
    ['an older edition was finished that still counts', { finishedEdition: 1, requiredEdition: 1 }, 'done'],
    ['a newer edition must be read', { opened: true, finishedEdition: 1, requiredEdition: 2 }, 'out-of-date'],
    ['the due day is over', { dueAt: now }, 'late'],
    ['a new edition is overdue', { finishedEdition: 1, requiredEdition: 2, dueAt: now - 5 }, 'late'],
    ['it is due within three days', { opened: true, dueAt: now + DUE_SOON_MS }, 'due-soon'],
    ['it is due later', { opened: true, dueAt: now + DUE_SOON_MS + 1 }, 'in-progress'],
  ])('when %s', (_, more, expected) => expect(readingState(facts(more), now)).toBe(expected))
})
