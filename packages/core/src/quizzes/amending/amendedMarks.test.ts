import { describe, expect, it } from 'vitest'
import { markOf } from '../marking/mark'
import type { Question } from '../questions/question'
import { aQuestion, optionsOf, questionId, questionOf } from '../testing'
import {
  amendedMarks,
  amendedQuestions,
  amendedScore,
  amendmentsFor,
  changeOfResult,
  whyNoRemark,
  type MarkedAnswer,
  type NoRemark,
  type QuestionAmendment,
} from './amendedMarks'

const english = { language: 'en' }
const says = (question: Question, value: boolean | null): MarkedAnswer => {
  const answer = value === null ? null : ({ kind: 'true-false', answer: { value } } as const)
  return { questionId: question.id, answer, mark: markOf(question, answer, english) }
}
const questions = [1, 2, 3, 4, 5].map((n) => aQuestion(n))
/** Somebody who says this to five statements that are all true. */
const attempt = (...values: (boolean | null)[]) => values.map((value, n) => says(questions[n]!, value))
const voided = (n: number): QuestionAmendment => ({ how: 'voided', questionId: questionId(n) })
const turned = (n: number): QuestionAmendment => ({
  how: 're-marked',
  questionId: questionId(n),
  question: questionOf('true-false', {}, { right: false }, { id: questionId(n) } as Partial<Question>),
})

describe('a question that turned out wrong', () => {
  it.each<[string, (boolean | null)[], QuestionAmendment[], string, number]>([
    ['voided, who had it wrong passes', [true, true, true, false, false], [voided(5)], 'points', 75],
    ['voided twice over, who had both wrong passes', [true, true, true, false, false], [voided(5), voided(4)], 'passes', 100],
    ['voided, who had it right fails', [true, true, true, true, false], [voided(1)], 'fails', 75],
    ['marked anew, who had it wrong passes', [true, true, true, false, true], [turned(4)], 'points', 100],
    ['marked anew, who had it right fails', [true, true, true, true, false], [turned(1)], 'fails', 60],
    ['marked anew and then voided, the later holds', [true, true, true, false, true], [turned(1), voided(1)], 'fails', 75],
    ['not answered, marking anew changes nothing', [true, true, true, true, null], [turned(5)], 'same', 80],
    ['another one, nothing changes', [true, true, true, true, true], [voided(9)], 'same', 100],
    ['all voided, everybody has all that there is', [false, false, false, false, false], [1, 2, 3, 4, 5].map(voided), 'passes', 100],
  ])('%s', (_, values, amendments, change, percent) =>
    expect(amendedScore(attempt(...values), amendments, 80, english)).toMatchObject({ change, score: { percent } }),
  )
  it('leaves what a person has judged', () => {
    const question = questionOf('written', { mostCharacters: 100 }, { words: '', criteria: [] }, { points: 5 })
    const judged: MarkedAnswer = {
      questionId: question.id,
      answer: { kind: 'written', answer: { words: 'Because.' } },
      mark: { verdict: 'partly', points: 3, most: 5 },
    }
    expect(amendedMarks([judged], [{ how: 're-marked', questionId: question.id, question }], english)).toEqual([judged.mark])
    expect(changeOfResult(null, null)).toBe('same')
  })
  it('does not count among those that are right, or asked', () =>
    expect(amendedScore(attempt(true, true, false, true, true), [voided(1)], 75, english).score).toEqual({
      ...{ points: 3, most: 4, percent: 75, right: 3, questions: 4, passed: true },
    }))
  it('waits for nobody once it is voided', () => {
    const question = questionOf('written', { mostCharacters: 100 }, { words: '', criteria: [] }, { points: 5 })
    const waits: MarkedAnswer = { questionId: question.id, answer: null, mark: { verdict: 'waits', points: 0, most: 5 } }
    expect(amendedMarks([waits], [{ how: 'voided', questionId: question.id }], english)).toEqual([
      { verdict: 'unanswered', points: 0, most: 0 },
    ])
  })
})

describe('a question can be marked anew', () => {
  const [a, b] = [optionsOf('a', 'b'), optionsOf('a', 'c')]
  const asked = questionOf('one', { options: a }, { right: 'option-a' })
  it.each<[NoRemark | null, Question, Question | undefined]>([
    [null, asked, questionOf('one', { options: a }, { right: 'option-b' })],
    ['gone', asked, undefined],
    ['same-key', asked, asked],
    ['asks-otherwise', asked, questionOf('one', { options: b }, { right: 'option-b' })],
    ['asks-otherwise', asked, questionOf('several', { options: a }, { right: ['option-b'], by: 'all' })],
    ['unfinished', asked, questionOf('one', { options: a }, { right: null })],
    ['judged', questionOf('written', { mostCharacters: 100 }, { words: '', criteria: [] }), asked],
  ])('or not: %s', (why, one, current) => expect(whyNoRemark(one, current)).toBe(why))
  it('in the editions that ask it in the same way', () => {
    const edition = new Map(questions.map((question) => [question.id, question]))
    const otherwise = {
      how: 're-marked',
      questionId: questionId(2),
      question: questionOf('text', {}, { accepted: ['x'], slips: 0, sameCase: false }),
    } as const
    expect(amendmentsFor(edition, [turned(1), otherwise, voided(3), voided(9)])).toEqual([turned(1), voided(3)])
    expect([...amendedQuestions(edition, [turned(1), otherwise, voided(3)]).values()].map(({ key }) => key)).toEqual([
      { right: false },
      ...[2, 3, 4, 5].map(() => ({ right: true })),
    ])
  })
})
