import { expect, it } from 'vitest'
import { guideItem } from '../items'
import type { CheckInId, GuideId } from '../shared'
import { aboutCheckIn } from './about'
import { ENTRIES, entrySaid, type EntryKind } from './entries'

const about = guideItem('V1StGXR8_Z5jdHi6B-myT' as GuideId)

it('says until when something is to be read, or that there is no such day', () => {
  const said = (due: string | null) => entrySaid('to-do', about, { title: 'Rinse the trays', by: 'Marta', due })
  expect(said('2026-03-24')).toMatchObject({ more: 'It is to be done by {{due}}.', to: `/guides/${about.id}`, into: { due: '2026-03-24' } })
  expect(said(null).more).not.toContain('{{')
})
it('says who was first where that is known', () => {
  const said = (by: string | null) => entrySaid('clash', about, { title: 'Rinse', by, step: null }).more
  expect(said('Ada')).toContain('{{by}}')
  expect(said(null)).not.toContain('{{')
})
it('leads to a check-in, and says who answers beside', () => {
  const checkIn = aboutCheckIn('c'.repeat(21) as CheckInId)
  const said = (other: string | null) => entrySaid('check-in', checkIn, { name: 'First week', other })
  expect(said('Ada')).toMatchObject({ to: `/check-ins/${checkIn.id}`, into: { name: 'First week', other: 'Ada' } })
  expect(said('Ada').more).toContain('{{other}}')
  expect(said(null).more).not.toContain('{{')
})
it('puts nothing into words that its data do not hold', () => {
  const data: Record<EntryKind, object> = {
    'due-again': { title: 'a', due: null },
    'to-look-up': { title: 'a', by: 'b' },
    'due-soon': { title: 'a', due: '2026-03-24' },
    late: { title: 'a', due: '2026-03-24' },
    'team-late': { title: 'a', names: 'Ada', count: 1 },
    reminded: { title: 'a', by: 'b', due: null },
    'to-confirm': { title: 'a', names: 'b', count: 1 },
    'sent-back': { title: 'a', by: 'b', reason: 'c' },
    confirmed: { title: 'a', by: 'b' },
    'export-ready': { title: 'a', until: '2026-12-07' },
    'export-failed': { title: 'a', reason: 'b' },
    'export-gone': { title: 'a' },
    'check-in': { name: 'a', other: 'b' },
    'quiz-result': { title: 'a', person: 'b', passed: false, percent: 60, attempt: 3 },
    'to-judge': { title: 'a', person: 'b', apart: true },
    judged: { title: 'a', passed: false },
    'result-put-right': { title: 'a', change: 'fails', reason: 'b' },
    'time-over': { title: 'a', answered: 2, questions: 5 },
    'checked-in': { name: 'a', other: 'b' },
    'to-do': { title: 'a', by: 'b', due: '2026-03-24' },
    clash: { title: 'a', by: 'b', step: 'x' },
    imported: { title: 'a', count: 3, missing: 1 },
    'write-along': { title: 'a', by: 'b' },
    'asked-at-step': { title: 'a', by: 'b', step: 'c', stepId: 's'.repeat(21) },
    survey: { title: 'a', by: 'b', due: '2026-03-24' },
    figures: { title: 'a', figures: 'Views: 3 (2)' },
    'survey-over': { title: 'a', question: 'b', answers: 20 },
  }
  for (const kind of Object.keys(ENTRIES) as EntryKind[]) {
    const { words, more, into } = entrySaid(kind, about, data[kind])
    const wanted = [...`${words} ${more}`.matchAll(/\{\{(\w+)\}\}/g)].map(([, name]) => name)
    expect(Object.keys(into)).toEqual(expect.arrayContaining(wanted))
  }
})
it('refuses data of another kind', () => expect(() => entrySaid('imported', about, { title: 'a', by: 'b' })).toThrow())
