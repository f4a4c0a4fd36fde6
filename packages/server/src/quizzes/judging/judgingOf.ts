import { quizItem } from '@jackdaw/core/items'
import {
  gradersIn,
  gradingOf,
  NO_GRADERS,
  questionsOf,
  rubricOf,
  whoMayGrade,
  type Answer,
  type Criterion,
  type Grade,
  type Graders,
  type Grading,
  type Question,
  type QuizEdition,
} from '@jackdaw/core/quizzes'
import { known, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail } from '../../http'
import { ITEM } from '../../items'
import { PERSON } from '../../people'
import { QUIZ, QUIZ_ANSWER, REPLY_GRADE, type Attempt } from '../model'
import { editionOf } from '../writing/publishQuiz'

/** A grade as it is stored. */
export type StoredGrade = Grade & { givenAt: number }
/** A reply and how far its judging is. `may`: who may judge it now. */
export type Reply = {
  question: Question
  rubric: { words: string; criteria: readonly Criterion[] }
  answer: Answer | null
  grades: readonly StoredGrade[]
  grading: Grading
  may: readonly PersonId[]
}

/** Who judges the replies of an attempt: how many do is said by its edition, who they are by the newest one. */
async function gradersOf(db: Db, { quizId, edition }: Attempt): Promise<Graders> {
  const { two } = (await editionOf(db, quizId, edition)).document.graders
  const newest = (await db.in(ITEM).one(quizItem(quizId), { only: ['edition'] }))?.edition ?? null
  const { people, third } = newest === null ? NO_GRADERS : (await editionOf(db, quizId, newest)).document.graders
  return { people, third, two }
}

/** The replies of an attempt that is over which a person judges, or has judged. */
export async function repliesOf(db: Db, attempt: Attempt): Promise<{ edition: QuizEdition; two: boolean; replies: Reply[] }> {
  const edition = await editionOf(db, attempt.quizId, attempt.edition)
  const graders = await gradersOf(db, attempt)
  const { ownerId: standIn } = (await db.in(QUIZ).one({ id: attempt.quizId }, { only: ['ownerId'] })) ?? fail('not-found')
  const active = await db.in(PERSON).find({ id: [...gradersIn(graders), standIn], active: true }, { only: ['id'] })
  const here = new Set(active.map(({ id }) => id))
  const given = await db.in(REPLY_GRADE).find({ attemptId: attempt.id }, { order: ['givenAt', 'graderId'] })
  const answers = await db.in(QUIZ_ANSWER).find({ attemptId: attempt.id })
  const questions = questionsOf(edition)
  const replies = attempt.drawn.flatMap((questionId): Reply[] => {
    const question = known(questions, questionId)
    const rubric = rubricOf(question)
    const row = answers.find((each) => each.questionId === questionId)
    if (rubric === null || !row || row.verdict === null || row.verdict === 'unanswered') return []
    const grades = given.filter((each) => each.questionId === questionId)
    const grading = gradingOf(rubric.criteria, grades, graders.two)
    const may = whoMayGrade(graders, grading, grades, here, { learner: attempt.personId, standIn })
    return [{ question, rubric, answer: row.answer, grades, grading, may }]
  })
  return { edition, two: graders.two, replies }
}
