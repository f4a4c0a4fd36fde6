import { expect, it } from 'vitest'
import { comeToBeShown, faultOfAnswers, shownOf, SurveyDocument, type SurveyAnswers } from './survey'

const document: SurveyDocument = {
  title: 'The first week',
  about: '',
  questions: [
    { id: 'clear-1', question: { kind: 'stars', words: 'How clear was it?' }, needed: true },
    { id: 'miss-01', question: { kind: 'words', words: 'What did you miss?' }, needed: false },
  ],
}
const stars = (value: number) => ({ id: 'clear-1', answer: { value, comment: '' } })
const words = (comment: string) => ({ id: 'miss-01', answer: { value: null, comment } })

it('takes an answer to each question once, to all that are needed, and nothing else', () => {
  const fault = (...answers: SurveyAnswers) => faultOfAnswers(document, answers)
  expect(fault(stars(4), words('A picture'))).toBeNull()
  expect(fault(stars(4))).toBeNull()
  expect(fault(words('A picture'))).toBe('missing')
  expect(fault(stars(6))).toBe('no-answer')
  expect(fault(stars(4), words(' '))).toBe('no-answer')
  expect(fault(stars(4), stars(5))).toBe('twice')
  expect(fault(stars(4), { id: 'other-1', answer: { value: 1, comment: '' } })).toBe('unknown')
})
it('is asked with a title and at least one question, none of them twice', () => {
  expect(SurveyDocument.safeParse(document).success).toBe(true)
  for (const wrong of [{ title: ' ' }, { questions: [] }, { questions: [document.questions[0], document.questions[0]] }])
    expect(SurveyDocument.safeParse({ ...document, ...wrong }).success).toBe(false)
})
it('shows answers without names at least five at a time, at its end too', () => {
  let answers: { held: boolean }[] = []
  for (let n = 1; n <= 40; n++) {
    const before = shownOf(answers, false).length
    answers = [...answers, { held: true }]
    const more = comeToBeShown(answers.filter(({ held }) => held).length)
    const held = answers.filter((each) => each.held)
    answers = answers.map((each) => (held.indexOf(each) >= 0 && held.indexOf(each) < more ? { held: false } : each))
    const now = shownOf(answers, false).length
    expect(now - before === 0 || now - before >= 5).toBe(true)
    const atTheEnd = shownOf(answers, true).length
    expect([n, atTheEnd]).toEqual([n, n < 5 ? 0 : n])
    expect(atTheEnd === 0 || atTheEnd - now >= 5).toBe(true)
  }
})
it('shows answers with names as they come', () => {
  expect(shownOf([{ held: false }], false)).toHaveLength(1)
})
