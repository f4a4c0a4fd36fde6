import * as z from 'zod/mini'
import { isAnswerTo, SurveyAnswer, SurveyQuestion } from './question'

const MOST_QUESTIONS = 20
const QuestionKey = z.string().check(z.regex(/^[A-Za-z0-9_-]{6,24}$/))

/** A question of a survey. `needed`: whether the survey can be sent without an answer to it. */
export const AskedInSurvey = z.object({ id: QuestionKey, question: SurveyQuestion, needed: z.boolean() })
/** Read by {@link AskedInSurvey}. */
export type AskedInSurvey = z.infer<typeof AskedInSurvey>
/** What is asked: a title, a few words on why, and the questions in their order. */
export const SurveyDocument = z.object({
  title: z.string().check(z.trim(), z.minLength(1, 'Give it a title'), z.maxLength(200)),
  about: z.string().check(z.trim(), z.maxLength(2_000)),
  questions: z.array(AskedInSurvey).check(
    z.minLength(1, 'Ask at least one question'),
    z.maxLength(MOST_QUESTIONS),
    z.refine((all) => new Set(all.map(({ id }) => id)).size === all.length, 'Two questions have the same id'),
  ),
})
/** Read by {@link SurveyDocument}. */
export type SurveyDocument = z.infer<typeof SurveyDocument>
/** Answers to a survey, by question; what was left is not there. */
export const SurveyAnswers = z.array(z.object({ id: QuestionKey, answer: SurveyAnswer })).check(z.maxLength(MOST_QUESTIONS))
/** Read by {@link SurveyAnswers}. */
export type SurveyAnswers = z.infer<typeof SurveyAnswers>

/** What keeps answers from being taken: `unknown` questions, questions answered `twice`, something that is `no-answer`, or a question that is `missing`; `null` where nothing does. */
export function faultOfAnswers(
  { questions }: SurveyDocument,
  answers: SurveyAnswers,
): 'unknown' | 'twice' | 'no-answer' | 'missing' | null {
  const given = new Map(answers.map(({ id, answer }) => [id, answer]))
  if (given.size < answers.length) return 'twice'
  const asked = new Map(questions.map(({ id, question }) => [id, question]))
  for (const [id, answer] of given) {
    const question = asked.get(id)
    if (!question) return 'unknown'
    if (!isAnswerTo(question, answer)) return 'no-answer'
  }
  return questions.some(({ id, needed }) => needed && !given.has(id)) ? 'missing' : null
}

/** Fewer answers without names are not shown: who has answered is known, and it would be known what. */
export const LEAST_SHOWN = 5
/** How many of the answers without names that are held back come to be shown, once there are so many: five and five, while as many stay held back, so that
 * nobody can ever tell whose came last, not even by ending it then. */
export const comeToBeShown = (held: number): number => (held >= 2 * LEAST_SHOWN ? LEAST_SHOWN : 0)
/** The answers that are shown: those that are not held back; once nobody is asked any more, all, if they are enough. */
export const shownOf = <A extends { held: boolean }>(answers: readonly A[], over: boolean): readonly A[] =>
  over && answers.length >= LEAST_SHOWN ? answers : answers.filter(({ held }) => !held)
