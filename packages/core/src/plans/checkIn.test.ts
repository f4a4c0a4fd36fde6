import { describe, expect, it } from 'vitest'
import type { PersonId, QuestionId } from '../shared'
import { answersBeside, checkInState, compare, unanswered, type Answer, type Question } from './index'

const [sure, unclear] = ['q-sure' as QuestionId, 'q-unclear' as QuestionId]
const questions: Question[] = [
  { id: sure, words: 'Can the job be done alone now?', answer: 'scale' },
  { id: unclear, words: 'What was unclear?', answer: 'words' },
]
const mark = (n: number | null, words = ''): Answer => ({ question: sure, words, mark: n })
const words = (said: string, n: number | null = null): Answer => ({ question: unclear, words: said, mark: n })

describe('answers to a check-in', () => {
  it('are whole when every question has one of its kind', () => {
    const missing = (...answers: Answer[]) => unanswered(questions, answers).map(({ id }) => id)
    expect(missing(mark(3), words('The labels.'))).toEqual([])
    expect(missing(mark(3))).toEqual([unclear])
    expect(missing(mark(null, 'quite'), words('The labels.'))).toEqual([sure])
    expect(missing(mark(4, 'and more'), words('', 4))).toEqual([sure, unclear])
    expect(missing(words(''), mark(2))).toEqual([unclear])
  })
  it('are put side by side with the marks between them', () => {
    const rows = compare(questions, [mark(5), words('Nothing.')], [words('The labels.'), mark(2)])
    expect(rows.map(({ apart, person, manager }) => [apart, person.words || person.mark, manager.words || manager.mark])).toEqual([
      [3, 5, 2],
      [0, 'Nothing.', 'The labels.'],
    ])
    expect(() => compare(questions, [mark(5)], [mark(2), words('a')])).toThrow()
  })
})

describe('how a check-in stands', () => {
  it.each([
    ['person', { person: false, manager: false, closed: false }, 'waits-for-me'],
    ['person', { person: true, manager: false, closed: false }, 'waits-for-other'],
    ['manager', { person: true, manager: false, closed: false }, 'waits-for-me'],
    ['manager', { person: true, manager: true, closed: true }, 'both'],
    ['manager', { person: true, manager: false, closed: true }, 'closed'],
  ] as const)('for the %s, of %o, is %s', (side, facts, state) => expect(checkInState(side, facts)).toBe(state))
})

describe('who answers beside somebody', () => {
  const [ola, boss, chief, mentor, giver] = ['ola', 'boss', 'chief', 'mentor', 'giver'] as unknown as PersonId[] as [
    PersonId,
    PersonId,
    PersonId,
    PersonId,
    PersonId,
  ]
  it.each([
    ['the nearest above them', { line: [boss, chief], mentor, giver }, boss],
    ['their mentor where nobody is above them', { line: [], mentor, giver }, mentor],
    ['whoever gave the plan where nobody looks after them either', { line: [], mentor: null, giver }, giver],
    ['nobody where they gave it to themselves', { line: [], mentor: null, giver: ola }, null],
    ['never themselves', { line: [ola, chief], mentor, giver }, chief],
  ])('is %s', (_words, facts, asked) => expect(answersBeside(ola, facts)).toBe(asked))
})
