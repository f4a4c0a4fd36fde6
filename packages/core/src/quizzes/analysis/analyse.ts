import type { QuestionId } from '../../shared'
import type { Verdict } from '../questions/kindOfQuestion'
import { attemptsToPass, reliabilityOf, type Reliability } from './reliability'
import { correlationFrom, meanOf, medianOf } from './statistics'

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
const elsewhere = (points: number, most: number, { points: own, most: ofOwn }: Pick<AnsweredQuestion, 'points' | 'most'>): number | null =>
  most - ofOwn <= 0 ? null : (points - own) / (most - ofOwn)

/** Answers to a question that are all alike: `count` of them. Of those whose attempts had other questions (`rests`), the sum of the shares of points that
 * their people have there, and the sum of the squares. */
export type Alike = {
  answer: Pick<AnsweredQuestion, 'points' | 'most' | 'verdict' | 'choices'>
  count: number
  rests: number
  sumOfRests: number
  sumOfSquares: number
}

/** Gathers the answers to one question, one after the other, and has its figures then: there may be many thousands. */
class QuestionTally {
  private asked = 0
  private right = 0
  private unanswered = 0
  private sumOfShares = 0
  /** Of those with other questions, without the question itself: else each would go along with itself (S. Henrysson, Correction of item-total
   * correlations in item analysis, 1963). */
  private readonly pairs = { n: 0, x: 0, y: 0, xx: 0, yy: 0, xy: 0 }
  private readonly byChoice = new Map<string, { count: number; rests: number; sumOfRests: number }>()

  add(alike: Alike): void {
    const { answer, count, rests, sumOfRests, sumOfSquares } = alike
    const share = shareOf(answer)
    this.asked += count
    this.sumOfShares += count * share
    if (answer.verdict === 'right') this.right += count
    if (answer.verdict === 'unanswered') this.unanswered += count
    const { pairs } = this
    pairs.n += rests
    pairs.x += rests * share
    pairs.y += sumOfRests
    pairs.xx += rests * share * share
    pairs.yy += sumOfSquares
    pairs.xy += share * sumOfRests
    if (answer.choices.length === 1) this.chosen(answer.choices[0]!, alike)
    else for (const choice of new Set(answer.choices)) this.chosen(choice, alike)
  }

  private chosen(choice: string, { count, rests, sumOfRests }: Alike): void {
    let of = this.byChoice.get(choice)
    if (of === undefined) this.byChoice.set(choice, (of = { count: 0, rests: 0, sumOfRests: 0 }))
    of.count += count
    of.rests += rests
    of.sumOfRests += sumOfRests
  }

  figures(questionId: QuestionId, medianMs: number | null): QuestionFigures {
    return {
      ...{ questionId, asked: this.asked, right: this.right, unanswered: this.unanswered, medianMs },
      difficulty: this.asked === 0 ? 0 : this.sumOfShares / this.asked,
      discrimination: correlationFrom(this.pairs),
      choices: [...this.byChoice]
        .map(([choice, { count, rests, sumOfRests }]) => ({ choice, count, elsewhere: rests === 0 ? null : sumOfRests / rests }))
        .sort((a, b) => b.count - a.count || (a.choice < b.choice ? -1 : 1)),
    }
  }
}
/** The figures of one question, from all answers to it. @param medianMs of those who answered */
export function figuresOf(questionId: QuestionId, answers: readonly Alike[], medianMs: number | null): QuestionFigures {
  const tally = new QuestionTally()
  for (const alike of answers) tally.add(alike)
  return tally.figures(questionId, medianMs)
}
/** How far the shares of points at one question are spread (the variance of a population), and whether each of them is all or nothing. */
export function spreadOf(answers: readonly Pick<Alike, 'answer' | 'count'>[]): { spread: number; dichotomous: boolean } {
  const asked = answers.reduce((sum, { count }) => sum + count, 0)
  const mean = answers.reduce((sum, { answer, count }) => sum + count * shareOf(answer), 0) / asked
  return {
    spread: asked === 0 ? 0 : answers.reduce((sum, { answer, count }) => sum + count * (shareOf(answer) - mean) ** 2, 0) / asked,
    dichotomous: answers.every(({ answer }) => [0, 1].includes(shareOf(answer))),
  }
}

/** Analyses the questions of a quiz from attempts at it. Difficulty and discrimination as in L. Crocker, J. Algina, Introduction to classical and modern
 * test theory, 1986, chapter 14.
 * @param attempts all that are judged; where only first attempts are to count, only those
 * @param people for each person, the number of the attempt at which they passed first; `null`: not yet */
export function analyse(attempts: readonly JudgedAttempt[], people: readonly (number | null)[]): QuizFigures {
  const byQuestion = new Map<QuestionId, { tally: QuestionTally; times: number[] }>()
  for (const { answers } of attempts) {
    let [points, most] = [0, 0]
    for (const answer of answers) {
      points += answer.points
      most += answer.most
    }
    for (const answer of answers) {
      let of = byQuestion.get(answer.questionId)
      if (of === undefined) byQuestion.set(answer.questionId, (of = { tally: new QuestionTally(), times: [] }))
      const rest = elsewhere(points, most, answer)
      of.tally.add({ answer, count: 1, rests: rest === null ? 0 : 1, sumOfRests: rest ?? 0, sumOfSquares: (rest ?? 0) ** 2 })
      if (answer.verdict !== 'unanswered' && answer.activeMs > 0) of.times.push(answer.activeMs)
    }
  }
  return {
    attempts: attempts.length,
    people: people.length,
    meanPercent: meanOf(attempts.map(({ percent }) => percent)),
    questions: [...byQuestion].map(([id, { tally, times }]) => tally.figures(id, medianOf(times))),
    reliability: reliabilityOf(rowsOf(attempts)),
    toPass: attemptsToPass(people),
  }
}

/** The shares of each attempt in one order of questions; `null` for an attempt that had others. */
function rowsOf(attempts: readonly JudgedAttempt[]): (number[] | null)[] {
  const order = (attempts[0]?.answers ?? []).map(({ questionId }) => questionId)
  return attempts.map(({ answers }) => {
    if (answers.length !== order.length) return null
    if (answers.every(({ questionId }, n) => questionId === order[n])) return answers.map(shareOf)
    const shares = new Map(answers.map((answer) => [answer.questionId, shareOf(answer)]))
    const row = order.map((id) => shares.get(id))
    return row.some((share) => share === undefined) ? null : (row as number[])
  })
}
