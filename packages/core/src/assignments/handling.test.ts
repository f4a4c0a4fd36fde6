import { expect, it } from 'vitest'
import type { LocalDate } from '../shared'
import { handledAs, Handling, type Handled, type StandingLine } from './index'

const on = '2026-04-01' as LocalDate
const move: Handling = { what: 'move', on }
const waive: Handling = { what: 'waive', why: 'Does other work now' }
const line = (more: Partial<StandingLine> = {}): StandingLine => ({
  done: false,
  waiting: false,
  waived: false,
  dueOn: '2026-03-20' as LocalDate,
  ...more,
})

it.each<[string, StandingLine | null, Handling, Handled]>([
  ['a due day is moved', line(), move, 'changes'],
  ['one is set where there was none', line({ dueOn: null }), move, 'changes'],
  ['it is due then already', line({ dueOn: on }), move, 'same-day'],
  ['it is done', line({ done: true }), move, 'done'],
  ['it is waived', line({ waived: true }), { what: 'remind' }, 'waived'],
  ['somebody is reminded', line(), { what: 'remind' }, 'changes'],
  ['what waits for somebody else is reminded of', line({ waiting: true }), { what: 'remind' }, 'waiting'],
  ['what waits for somebody else is moved', line({ waiting: true }), move, 'changes'],
  ['it is waived now', line(), waive, 'changes'],
  ['it was waived before', line({ waived: true }), waive, 'waived'],
  ['what is done is waived', line({ done: true }), waive, 'done'],
  ['a waiver is ended', line({ waived: true }), { what: 'end-waiver' }, 'changes'],
  ['one is ended of what was done all the same', line({ waived: true, done: true }), { what: 'end-waiver' }, 'changes'],
  ['there is none', line(), { what: 'end-waiver' }, 'not-waived'],
  ['they have not been given it', null, waive, 'not-given'],
])('tells what comes of it when %s', (_, standing, handling, expected) => expect(handledAs(standing, handling)).toBe(expected))
it('asks for the reason of a waiver', () => {
  expect(Handling.safeParse({ what: 'waive', why: '  ' }).success).toBe(false)
  expect(Handling.parse({ what: 'waive', why: ' On leave ' })).toEqual({ what: 'waive', why: 'On leave' })
})
