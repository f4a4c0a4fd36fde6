import { expect, it } from 'vitest'
import { emptyDocument, GuideDocument, richTextOf, type GuideItem } from '../guides'
import { seededIds, type GuideQuizId, type QuizId, type StepId } from '../shared'
import { forGuests } from './forGuests'

it('leaves quizzes out, and nothing else', () => {
  const newId = seededIds(18)
  const body = richTextOf('Close the valve')
  const step = { kind: 'step' as const, id: newId<StepId>(), body, pictures: [] }
  const quiz: GuideItem = { kind: 'quiz', id: newId<GuideQuizId>(), quizId: newId<QuizId>(), need: 'passed' }
  const document: GuideDocument = {
    ...emptyDocument('Tank', 'how-to'),
    items: [quiz, step, { ...quiz, id: newId<GuideQuizId>() }],
  }
  expect(forGuests(document)).toEqual({ ...document, items: [step] })
  expect(GuideDocument.safeParse(forGuests(document)).success).toBe(true)
})
