import { seededIds, type GuideQuizId, type QuizId, type SectionId, type StepId } from '../shared'
import type { GuideDocument, GuideQuiz, Section, Step } from './document'
import { emptyDocument } from './document'
import { richTextOf } from './text/richTextOf'

const nextId = seededIds(7)

/** A step with these lines of text, for tests. */
export const aStep = (...lines: string[]): Step => ({ kind: 'step', id: nextId() as StepId, body: richTextOf(...lines), pictures: [] })
/** A section heading, for tests. */
export const aSection = (title: string): Section => ({ kind: 'section', id: nextId() as SectionId, title })
/** A quiz among the steps, for tests. */
export const aGuideQuiz = (need: GuideQuiz['need'] = 'passed', quizId = nextId() as QuizId): GuideQuiz => ({
  ...{ kind: 'quiz', id: nextId() as GuideQuizId, quizId, need },
})
/** A document with these items, for tests. */
export const aDocument = (...items: GuideDocument['items']): GuideDocument => ({ ...emptyDocument('Rinse the trays', 'how-to'), items })
