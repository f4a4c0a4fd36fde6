import { describe, expect, it } from 'vitest'
import { isAnswerTo, resultsOf, SurveyQuestion, valuesOf, type SurveyAnswer } from './index'

const stars: SurveyQuestion = { kind: 'stars', words: 'How clear is this step?' }
const choice: SurveyQuestion = { kind: 'choice', words: 'What stops you here?', options: ['The printer', 'The words', 'Nothing'] }
const scale: SurveyQuestion = { kind: 'scale', words: 'How sure are you?', low: 'not at all', high: 'quite' }
const own: SurveyQuestion = { kind: 'words', words: 'What do you miss?' }
const answer = (value: number | null, comment = ''): SurveyAnswer => ({ value, comment })

describe('an answer', () => {
  it('is one of the values of its question, or words', () => {
    expect([stars, choice, scale, own].map((question) => valuesOf(question).length)).toEqual([5, 3, 11, 0])
    expect([0, 1, 5, 6].map((value) => isAnswerTo(stars, answer(value)))).toEqual([false, true, true, false])
    expect([-1, 0, 2, 3].map((value) => isAnswerTo(choice, answer(value)))).toEqual([false, true, true, false])
    expect(isAnswerTo(scale, answer(10))).toBe(true)
    expect(isAnswerTo(own, answer(1))).toBe(false)
    for (const question of [stars, choice, scale, own]) {
      expect(isAnswerTo(question, answer(null, '  '))).toBe(false)
      expect(isAnswerTo(question, answer(null, 'The label sticks'))).toBe(true)
    }
  })
})
describe('a question', () => {
  it('has words, and at least two answers to choose from', () => {
    expect(SurveyQuestion.safeParse({ kind: 'stars', words: '   ' }).success).toBe(false)
    expect(SurveyQuestion.safeParse({ ...choice, options: ['One'] }).success).toBe(false)
    expect(SurveyQuestion.safeParse({ ...choice, options: Array.from({ length: 9 }, (_, n) => `${n}`) }).success).toBe(false)
    expect(SurveyQuestion.safeParse({ ...scale, low: '' }).success).toBe(false)
    for (const question of [stars, choice, scale, own]) expect(SurveyQuestion.parse(question)).toEqual(question)
  })
})
describe('results', () => {
  it('count every value, those that nobody gave too, and those who gave words only', () => {
    expect(resultsOf(choice, [answer(0), answer(0, 'It jams'), answer(2), answer(null, 'All of it')])).toEqual({
      answers: 4,
      counts: [
        { value: 0, times: 2 },
        { value: 1, times: 0 },
        { value: 2, times: 1 },
      ],
      mean: null,
      onlyWords: 1,
    })
  })
  it('have a mean where values are measured', () => {
    expect(resultsOf(stars, [answer(5), answer(2), answer(null, 'Hm')]).mean).toBe(3.5)
    expect(resultsOf(scale, []).mean).toBeNull()
    expect(resultsOf(own, [answer(null, 'More pictures')])).toEqual({ answers: 1, counts: [], mean: null, onlyWords: 1 })
  })
})
