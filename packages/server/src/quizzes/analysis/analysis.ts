import type { AnalysedQuestion, analyseQuiz, Counted } from '@jackdaw/contracts/quizAnalysis'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import {
  attemptsToPass,
  choiceWords,
  elsewhere,
  figuresOf,
  isRightChoice,
  questionsOf,
  reliabilityFrom,
  remarkOn,
  remarkOnReliability,
  rightChoice,
  type Question,
  type Reliability,
  type Verdict,
} from '@jackdaw/core/quizzes'
import { quizItem } from '@jackdaw/core/items'
import type { QuestionId, QuizId } from '@jackdaw/core/shared'
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
  select count(*)::int as attempts, min(a.ended_at) as from, max(a.ended_at) as until, avg(a.percent)::float8 as mean_percent,
    count(distinct (select string_agg(d, ' ' order by d) from unnest(a.drawn) d))::int as sets,
    var_pop((select sum(w.points / nullif(w.most, 0)) from quiz_answer w where w.attempt_id = a.id))::float8 as of_totals
  from quiz_attempt a where ${COUNTED}`

type AnswerRow = {
  points: number
  most: number
  total_points: number
  total_most: number
  verdict: Verdict
  active_ms: number
  choices: string[] | null
}
const ANSWERS = `
  select w.points, w.most, a.points as total_points, a.most as total_most, w.verdict, w.active_ms, w.choices
  from quiz_attempt a join quiz_answer w on w.attempt_id = a.id and w.question_id = $3 where ${COUNTED} and w.verdict is not null and w.most > 0`

/** The figures of one question; each is asked for by itself, so that nothing holds the server up however many attempts there are. */
async function analysed(db: Db, id: QuizId, first: boolean, { question, gone }: { question: Question; gone: boolean }) {
  const rows = await db.rows<AnswerRow>(ANSWERS, [id, first, question.id])
  const gathered = rows.map(({ total_points, total_most, active_ms, choices, ...row }) => ({
    answer: { ...row, activeMs: active_ms, choices: choices ?? [] },
    rest: elsewhere(total_points, total_most, row),
  }))
  const figures = figuresOf(question.id, gathered)
  const shown: AnalysedQuestion = {
    ...{ question, gone, asked: figures.asked, right: figures.right, unanswered: figures.unanswered, difficulty: figures.difficulty },
    ...{ discrimination: figures.discrimination, medianMs: figures.medianMs },
    choices: figures.choices.slice(0, MOST_CHOICES).map(({ choice, count, elsewhere: rest }) => ({
      ...{ words: choiceWords(question, choice), choice, right: isRightChoice(question, choice), count, elsewhere: rest },
    })),
    remark: remarkOn(figures, rightChoice(question)),
  }
  const shares = rows.map(({ points, most }) => (most === 0 ? 0 : points / most))
  const spread = figures.asked === 0 ? 0 : shares.reduce((sum, share) => sum + (share - figures.difficulty) ** 2, 0) / figures.asked
  return { shown, spread, dichotomous: shares.every((share) => share === 0 || share === 1) }
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
  const whole = (await db.one<Whole>(WHOLE, [id, first]))!
  const questions = []
  for (const each of await questionsAsked(db, id, first, edition)) questions.push(await analysed(db, id, first, each))
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
  const people = await db.rows<{ first_passed: number | null }>(
    'select min(a.number) filter (where a.passed) as first_passed from quiz_attempt a where a.quiz_id = $1 and a.percent is not null group by a.person_id',
    [id],
  )
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
