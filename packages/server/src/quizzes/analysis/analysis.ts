import type { AnalysedQuestion, analyseQuiz, Counted } from '@jackdaw/contracts/quizAnalysis'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import {
  attemptsToPass,
  choiceWords,
  figuresOf,
  isRightChoice,
  questionsOf,
  reliabilityFrom,
  remarkOn,
  remarkOnReliability,
  rightChoice,
  spreadOf,
  type Alike,
  type Question,
  type Reliability,
  type Verdict,
} from '@jackdaw/core/quizzes'
import { quizItem } from '@jackdaw/core/items'
import { groupedBy, type QuestionId, type QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail } from '../../http'
import { ITEM } from '../../items'
import { editionOf } from '../writing/publishQuiz'

/** Attempts that are judged; with `first`, only the first of each person. $1 quiz, $2 whether only the first count. */
export const COUNTED = `a.quiz_id = $1 and a.percent is not null and (not $2 or a.number = 1)`
/** So many of the choices of a question are shown: people write many different words. */
const MOST_CHOICES = 12

type Whole = {
  attempts: number
  from: Date | null
  until: Date | null
  mean_percent: number | null
  sets: number
  of_totals: number | null
}
/** What is known of the attempts as wholes. `sets`: how many different sets of questions they had; `of_totals`: the variance of the sums of shares. */
const WHOLE = `
  with counted as (select a.id, a.ended_at, a.percent, (select sum(hashtextextended(d, 0)) from unnest(a.drawn) d) as drawn from quiz_attempt a where ${COUNTED}),
  totals as (select sum(w.points / nullif(w.most, 0)) as shares from counted c join quiz_answer w on w.attempt_id = c.id group by c.id)
  select count(*)::int as attempts, min(ended_at) as from, max(ended_at) as until, avg(percent)::float8 as mean_percent, count(distinct drawn)::int as sets,
    (select var_pop(shares)::float8 from totals) as of_totals
  from counted`

const OF_ANSWERS = `from quiz_attempt a join quiz_answer w on w.attempt_id = a.id where ${COUNTED} and w.verdict is not null and w.most > 0`
/** Answers that are alike, put together: of many thousands few are left, so that nothing holds the server up. */
const ALIKE = `
  select w.question_id, w.points, w.most, w.verdict, w.choices, count(*)::int as count, count(w.rest)::int as rests, coalesce(sum(w.rest), 0)::float8 as sum_of_rests,
    coalesce(sum(w.rest * w.rest), 0)::float8 as sum_of_squares
  from (select w.question_id, w.points, w.most, w.verdict, w.choices, case when a.most > w.most then (a.points - w.points) / (a.most - w.most) end as rest ${OF_ANSWERS}) w
  group by w.question_id, w.points, w.most, w.verdict, w.choices`
type AlikeRow = Pick<Alike['answer'], 'points' | 'most'> & {
  question_id: QuestionId
  verdict: Verdict
  choices: string[] | null
  count: number
  rests: number
  sum_of_rests: number
  sum_of_squares: number
}
const TIMES = `
  select w.question_id, percentile_cont(0.5) within group (order by w.active_ms)::float8 as median ${OF_ANSWERS} and w.verdict <> 'unanswered' and w.active_ms > 0 group by w.question_id`

/** The figures of one question. */
function analysed({ question, gone }: { question: Question; gone: boolean }, rows: readonly AlikeRow[], medianMs: number | null) {
  const answers = rows.map(
    ({ points, most, verdict, choices, count, rests, sum_of_rests: sumOfRests, sum_of_squares: sumOfSquares }): Alike => ({
      ...{ answer: { points, most, verdict, choices: choices ?? [] }, count, rests, sumOfRests, sumOfSquares },
    }),
  )
  const figures = figuresOf(question.id, answers, medianMs)
  const shown: AnalysedQuestion = {
    ...{ question, gone, asked: figures.asked, right: figures.right, unanswered: figures.unanswered, difficulty: figures.difficulty },
    ...{ discrimination: figures.discrimination, medianMs: figures.medianMs },
    choices: figures.choices.slice(0, MOST_CHOICES).map(({ choice, count, elsewhere: rest }) => ({
      ...{ words: choiceWords(question, choice), choice, right: isRightChoice(question, choice), count, elsewhere: rest },
    })),
    remark: remarkOn(figures, rightChoice(question)),
  }
  return { shown, ...spreadOf(answers) }
}

/** Every question that was ever asked in attempts that count, those of the newest edition first and in its order. */
async function questionsAsked(db: Db, id: QuizId, first: boolean, newest: number): Promise<{ question: Question; gone: boolean }[]> {
  const editions = await db.rows<{ edition: number }>(`select distinct a.edition from quiz_attempt a where ${COUNTED} order by 1 desc`, [
    id,
    first,
  ])
  const known = new Map<QuestionId, { question: Question; gone: boolean }>()
  for (const number of new Set([newest, ...editions.map(({ edition }) => edition)]))
    for (const [questionId, question] of questionsOf(await editionOf(db, id, number)))
      if (!known.has(questionId)) known.set(questionId, { question, gone: number !== newest })
  return [...known.values()]
}

const FIRST_PASSED =
  'select min(a.number) filter (where a.passed) as first_passed from quiz_attempt a where a.quiz_id = $1 and a.percent is not null group by a.person_id'

/** The figures of a quiz and its questions. */
export async function analysisOf(
  db: Db,
  id: QuizId,
  counted: Counted,
): Promise<Omit<ResponseOf<typeof analyseQuiz>, 'maySeeWho' | 'mayAmend'>> {
  const first = counted === 'first'
  const { edition } = (await db.in(ITEM).one(quizItem(id))) ?? fail('not-found')
  if (edition === null) return fail('not-published', 'It has not been published yet, so that nobody has taken it.')
  const { document } = await editionOf(db, id, edition)
  const [whole, alike, times, people] = await Promise.all([
    db.one<Whole>(WHOLE, [id, first]).then((row) => row!),
    db.rows<AlikeRow>(ALIKE, [id, first]),
    db.rows<{ question_id: QuestionId; median: number }>(TIMES, [id, first]),
    db.rows<{ first_passed: number | null }>(FIRST_PASSED, [id]),
  ])
  const byQuestion = groupedBy(alike, (row) => row.question_id)
  const medians = new Map(times.map((row) => [row.question_id, row.median]))
  const questions = (await questionsAsked(db, id, first, edition)).map((each) =>
    analysed(each, byQuestion.get(each.question.id) ?? [], medians.get(each.question.id) ?? null),
  )
  const asked = questions.filter(({ shown }) => shown.asked > 0)
  const reliability: Reliability =
    whole.sets > 1
      ? { known: false, why: 'other-questions' }
      : reliabilityFrom({
          attempts: whole.attempts,
          ofQuestions: asked.map(({ spread }) => spread),
          ofTotals: whole.of_totals ?? 0,
          dichotomous: asked.every((each) => each.dichotomous),
        })
  const { byAttempt, ...toPass } = attemptsToPass(people.map((row) => row.first_passed))
  return {
    ...{ id, title: document.title, edition, passMark: document.passMark, attempts: whole.attempts, meanPercent: whole.mean_percent },
    ...{ from: whole.from?.getTime() ?? null, until: whole.until?.getTime() ?? null },
    toPass: { ...toPass, byAttempt: [...byAttempt].map(([attempt, count]) => ({ attempt, people: count })) },
    reliability: reliability.known ? { by: reliability.by, value: reliability.value } : null,
    reliabilityRemark: remarkOnReliability(reliability),
    questions: questions.map(({ shown }) => shown),
  }
}
