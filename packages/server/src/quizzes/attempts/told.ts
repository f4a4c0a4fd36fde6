import type { AttemptResult, QuizAttempt, ToldMark } from '@jackdaw/contracts/attempts'
import { amendedQuestions, questionsOf, type QuizDocument, type QuizEdition, type ToldAfter } from '@jackdaw/core/quizzes'
import { groupedBy, known } from '@jackdaw/core/shared'
import type { Attributes } from 'sequelize'
import type { Db } from '../../db'
import { amendmentsOf } from '../amending/amendments'
import type { Attempt, QuizAnswerRow } from '../model'
import { testedSteps } from '../writing/testedSteps'

/** What somebody is told after an attempt, by the author's choice. As long as a person has to judge some of it, nothing. */
const toldAfter = (
  { afterFailing, afterPassing }: Pick<QuizDocument, 'afterFailing' | 'afterPassing'>,
  passed: boolean | null,
): ToldAfter => (passed === null ? 'nothing' : passed ? afterPassing : afterFailing)

/** What somebody is told of an attempt of theirs; `null` as long as it goes on. */
export function resultOf(attempt: Attempt, document: Pick<QuizDocument, 'afterFailing' | 'afterPassing'>): AttemptResult | null {
  const { id: attemptId, number, edition, openedAt, endedAt, ended, passed, percent, rightCount, drawn, counted } = attempt
  if (endedAt === null || ended === null) return null
  const told = toldAfter(document, passed)
  const figures = told === 'nothing' ? { percent: null, right: null } : { percent, right: rightCount }
  return { attemptId, number, edition, openedAt, endedAt, ended, passed, told, ...figures, questions: counted ?? drawn.length }
}

type Answered = Attributes<QuizAnswerRow>
/** What is told of each question; `null` where nothing is. */
export async function marksTold(db: Db, attempt: Attempt, edition: QuizEdition, answers: readonly Answered[]): Promise<ToldMark[] | null> {
  const told = toldAfter(edition.document, attempt.passed)
  if (told === 'nothing' || told === 'count') return null
  const asked = questionsOf(edition)
  const questions = amendedQuestions(asked, await amendmentsOf(db, attempt.quizId, asked))
  const given = new Map(answers.map((answer) => [answer.questionId, answer]))
  return attempt.drawn.map((questionId) => {
    const { verdict, points, most } = known(given, questionId)
    const question = known(questions, questionId)
    const explained = told === 'explained' ? { question, explanation: question.explanation } : null
    return { questionId, verdict: verdict ?? 'unanswered', points: points ?? 0, most: most ?? 0, counts: most !== 0, explained }
  })
}

/** The steps behind the questions that were missed, by guide, as far as they are there and the person may read them. */
export async function stepsToGoOver(
  db: Db,
  attempt: Attempt,
  edition: QuizEdition,
  answers: readonly Answered[],
): Promise<NonNullable<QuizAttempt['result']>['goOver']> {
  if (toldAfter(edition.document, attempt.passed) === 'nothing') return []
  const questions = questionsOf(edition)
  const missed = answers.filter(({ verdict, most }) => verdict !== null && verdict !== 'right' && verdict !== 'waits' && most !== 0)
  const steps = await testedSteps(
    db,
    missed.flatMap(({ questionId }) => questions.get(questionId) ?? []),
    attempt.personId,
  )
  return [...groupedBy(steps, ({ guideId }) => guideId)].map(([guideId, of]) => ({
    ...{ guideId, title: of[0]!.title },
    steps: of.map(({ stepId }) => stepId),
  }))
}
