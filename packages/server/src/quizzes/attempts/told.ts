import type { AttemptResult, QuizAttempt, ToldMark } from '@jackdaw/contracts/quizzes'
import { questionsOf, type QuizDocument, type QuizEdition, type TestedStep, type ToldAfter } from '@jackdaw/core/quizzes'
import { groupedBy, known, type GuideId, type PersonId, type StepId } from '@jackdaw/core/shared'
import type { Attributes } from 'sequelize'
import type { Db } from '../../db'
import type { QuizAnswerRow } from '../model'
import type { Attempt } from './endAttempt'

/** What somebody is told after an attempt, by the author's choice. As long as a person has to judge some of it, nothing. */
export const toldAfter = (
  { afterFailing, afterPassing }: Pick<QuizDocument, 'afterFailing' | 'afterPassing'>,
  passed: boolean | null,
): ToldAfter => (passed === null ? 'nothing' : passed ? afterPassing : afterFailing)

/** What somebody is told of an attempt of theirs; `null` as long as it goes on. */
export function resultOf(attempt: Attempt, document: Pick<QuizDocument, 'afterFailing' | 'afterPassing'>): AttemptResult | null {
  const { id: attemptId, number, edition, openedAt, endedAt, ended, passed, percent, rightCount, drawn } = attempt
  if (endedAt === null || ended === null) return null
  const told = toldAfter(document, passed)
  const figures = told === 'nothing' ? { percent: null, right: null } : { percent, right: rightCount }
  return { attemptId, number, edition, openedAt, endedAt, ended, passed, told, ...figures, questions: drawn.length }
}

type Answered = Attributes<QuizAnswerRow>
/** What is told of each question; `null` where nothing is. */
export function marksTold(attempt: Attempt, edition: QuizEdition, answers: readonly Answered[]): ToldMark[] | null {
  const told = toldAfter(edition.document, attempt.passed)
  if (told === 'nothing' || told === 'count') return null
  const questions = questionsOf(edition)
  const given = new Map(answers.map((answer) => [answer.questionId, answer]))
  return attempt.drawn.map((questionId) => {
    const { verdict, points, most } = known(given, questionId)
    const question = known(questions, questionId)
    const explained = told === 'explained' ? { question, explanation: question.explanation } : null
    return { questionId, verdict: verdict ?? 'unanswered', points: points ?? 0, most: most ?? 0, explained }
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
  const missed = answers.filter(({ verdict }) => verdict !== null && verdict !== 'right' && verdict !== 'waits')
  const steps = missed.flatMap(({ questionId }) => questions.get(questionId)?.steps ?? [])
  if (steps.length === 0) return []
  const rows = await readableSteps(db, steps, attempt.personId)
  return [...groupedBy(rows, ({ guide }) => guide)].map(([guideId, of]) => ({
    ...{ guideId, title: of[0]!.title },
    steps: of.map(({ step }) => step),
  }))
}

type StepRow = { guide: GuideId; step: StepId; title: string }
/** Those of some steps that stand in the newest edition of a guide that somebody may read, in the order of the guides. */
const readableSteps = (db: Db, steps: readonly TestedStep[], personId: PersonId): Promise<StepRow[]> =>
  db.rows<StepRow>(
    `select i.id as guide, x.part_id as step, i.title from item i join edition_part x on x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition
     where i.kind = 'guide' and (i.id, x.part_id) in (select * from unnest($1::text[], $2::text[]))
       and exists (select 1 from item_access v where v.person_id = $3 and v.item_kind = i.kind and v.item_id = i.id)
     order by i.title, i.id, x.position`,
    [steps.map(({ guideId }) => guideId), steps.map(({ stepId }) => stepId), personId],
  )
