import type { QuestionId } from '../../shared'
import type { Verdict } from '../questions/kindOfQuestion'
import { attemptsToPass, reliabilityOf, type Reliability } from './reliability'
import { correlationOf, meanOf, medianOf } from './statistics'

/** What came of one question in an attempt. `choices`: what was answered, as it is counted; see `counted` of its kind. */
export type AnsweredQuestion = {
  questionId: QuestionId
  points: number
  most: number
  verdict: Verdict
  activeMs: number
  choices: readonly string[]
}
/** An attempt that is over and judged. `number`: which one of its person. */
export type JudgedAttempt = { personId: string; number: number; passed: boolean; percent: number; answers: readonly AnsweredQuestion[] }

/** How often something was answered, and how well those who did so were at the other questions (0 to 1; `null` of nobody). */
export type ChoiceFigures = { choice: string; count: number; elsewhere: number | null }
/** What is known of a question. `difficulty`: the share of its points that was had, from 0 to 1: the higher, the easier. `discrimination`: how much getting it
 * right goes along with doing well at the other questions, from -1 to 1. `medianMs`: of those who answered. */
export type QuestionFigures = {
  questionId: QuestionId
  asked: number
  right: number
  unanswered: number
  difficulty: number
  discrimination: number | null
  medianMs: number | null
  choices: ChoiceFigures[]
}
/** What is known of a quiz. */
export type QuizFigures = {
  attempts: number
  people: number
  meanPercent: number | null
  questions: QuestionFigures[]
  reliability: Reliability
  toPass: ReturnType<typeof attemptsToPass>
}

const shareOf = ({ points, most }: Pick<AnsweredQuestion, 'points' | 'most'>): number => (most === 0 ? 0 : points / most)

/** The share of points somebody has at all other questions than one; `null` where there are none.
 * @param points in all of the attempt, of `most` that could be had */
export const elsewhere = (
  points: number,
  most: number,
  { points: own, most: ofOwn }: Pick<AnsweredQuestion, 'points' | 'most'>,
): number | null => (most - ofOwn <= 0 ? null : (points - own) / (most - ofOwn))

/** Answers to one question. `rest`: the share of points that its person has at all other questions of the attempt; `null` where there are none. */
export type Gathered = readonly { answer: Omit<AnsweredQuestion, 'questionId'>; rest: number | null }[]
/** The figures of one question, from all answers to it. */
export function figuresOf(questionId: QuestionId, gathered: Gathered): QuestionFigures {
  const shares = gathered.map(({ answer }) => shareOf(answer))
  // Without the question itself: else each would go along with itself (S. Henrysson, Correction of item-total correlations in item analysis, 1963).
  const pairs = gathered.flatMap(({ rest }, n): [number, number][] => (rest === null ? [] : [[shares[n]!, rest]]))
  const given = gathered.filter(({ answer }) => answer.verdict !== 'unanswered')
  const byChoice = new Map<string, number[]>()
  for (const { answer, rest } of gathered)
    for (const choice of new Set(answer.choices)) {
      const list = byChoice.get(choice) ?? []
      list.push(rest ?? Number.NaN)
      byChoice.set(choice, list)
    }
  return {
    questionId,
    asked: gathered.length,
    right: gathered.filter(({ answer }) => answer.verdict === 'right').length,
    unanswered: gathered.length - given.length,
    difficulty: meanOf(shares) ?? 0,
    discrimination: correlationOf(pairs),
    medianMs: medianOf(given.map(({ answer }) => answer.activeMs).filter((ms) => ms > 0)),
    choices: [...byChoice]
      .map(([choice, rests]) => ({ choice, count: rests.length, elsewhere: meanOf(rests.filter((rest) => !Number.isNaN(rest))) }))
      .sort((a, b) => b.count - a.count || (a.choice < b.choice ? -1 : 1)),
  }
}

/** Analyses the questions of a quiz from attempts at it. Difficulty and discrimination as in L. Crocker, J. Algina, Introduction to classical and modern
 * test theory, 1986, chapter 14.
 * @param attempts all that are judged; where only first attempts are to count, only those
 * @param people for each person, the number of the attempt at which they passed first; `null`: not yet */
export function analyse(attempts: readonly JudgedAttempt[], people: readonly (number | null)[]): QuizFigures {
  const byQuestion = new Map<QuestionId, { answer: AnsweredQuestion; rest: number | null }[]>()
  for (const { answers } of attempts) {
    let [points, most] = [0, 0]
    for (const answer of answers) {
      points += answer.points
      most += answer.most
    }
    for (const answer of answers) {
      const gathered = byQuestion.get(answer.questionId) ?? []
      gathered.push({ answer, rest: elsewhere(points, most, answer) })
      byQuestion.set(answer.questionId, gathered)
    }
  }
  return {
    attempts: attempts.length,
    people: people.length,
    meanPercent: meanOf(attempts.map(({ percent }) => percent)),
    questions: [...byQuestion].map(([id, gathered]) => figuresOf(id, gathered)),
    reliability: reliabilityOf(rowsOf(attempts)),
    toPass: attemptsToPass(people),
  }
}

/** The shares of each attempt in one order of questions; `null` for an attempt that had others. */
function rowsOf(attempts: readonly JudgedAttempt[]): (number[] | null)[] {
  const order = (attempts[0]?.answers ?? []).map(({ questionId }) => questionId)
  return attempts.map(({ answers }) => {
    if (answers.length !== order.length) return null
    const shares = new Map(answers.map((answer) => [answer.questionId, shareOf(answer)]))
    const row = order.map((id) => shares.get(id))
    return row.some((share) => share === undefined) ? null : (row as number[])
  })
}
