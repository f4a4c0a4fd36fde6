import type { AskedQuestion, GivenAnswer, NewStepSurvey, StepSurvey } from '@jackdaw/contracts/surveys'
import { guideItem } from '@jackdaw/core/items'
import type { GuideId, NewId, PersonId, SurveyId } from '@jackdaw/core/shared'
import { isAnswerTo, shownOf, type SurveyAnswer, type SurveyQuestion } from '@jackdaw/core/surveys'
import type { Db } from '../db'
import { fail } from '../http'
import { notify, type Telling } from '../inbox'
import { writtenAnew } from './held'
import { SURVEY_ANSWER } from './model'

type Asked = { guide: GuideId; by: PersonId; now: number }
/** Puts a question at a step of the edition that holds. @returns whether it is new: sent a second time nothing is asked once more */
export async function addSurvey(tx: Db, { guide, by, now }: Asked, survey: Omit<NewStepSurvey, 'tell'>): Promise<boolean> {
  const there = await tx.one(
    `select 1 from edition_part p join item i on i.kind = p.item_kind and i.id = p.item_id and i.edition = p.edition where p.item_kind = 'guide' and p.item_id = $1 and p.part_id = $2`,
    [guide, survey.stepId],
  )
  if (!there) fail('not-found', 'There is no such step in the edition that holds.')
  const added = await tx.rows(
    `insert into survey (id, item_kind, item_id, part_id, asked_when, question, anonymous, most, asked_by, asked_at) values ($1, 'guide', $2, $3, $4, $5, $6, $7, $8, $9)
     on conflict (id) do nothing returning id`,
    [survey.id, guide, survey.stepId, survey.when, JSON.stringify(survey.question), survey.anonymous, survey.most, by, new Date(now)],
  )
  return added.length > 0
}

const COLUMNS = `s.id, s.part_id as "stepId", s.asked_when as "when", s.question, s.anonymous`
/** The questions at steps of a guide, the newest first; or one of them. */
export async function surveysOf(db: Db, guide: GuideId, only: SurveyId | null = null): Promise<StepSurvey[]> {
  type Row = AskedQuestion & {
    step: string
    most: number
    answers: number
    by_id: PersonId
    by_name: string
    asked_at: Date
    ended_at: Date | null
  }
  const rows = await db.rows<Row>(
    `select ${COLUMNS}, s.most, s.answers, s.asked_at, s.ended_at, p.id as by_id, p.name as by_name,
       coalesce((select x.name from edition_part x where x.item_kind = s.item_kind and x.item_id = s.item_id and x.part_id = s.part_id order by x.edition desc limit 1), '') as step
     from survey s join person p on p.id = s.asked_by where s.item_kind = 'guide' and s.item_id = $1 and ($2::text is null or s.id = $2) order by s.asked_at desc, s.id`,
    [guide, only],
  )
  return rows.map(({ by_id, by_name, asked_at, ended_at, ...row }) => ({
    ...row,
    askedBy: { id: by_id, name: by_name },
    askedAt: asked_at.getTime(),
    endedAt: ended_at?.getTime() ?? null,
  }))
}

/** What was answered, the latest first; of what is anonymous, in no order. `held`: how many answers are not shown yet. */
export async function answersTo(db: Db, { id: survey, endedAt }: StepSurvey): Promise<{ given: GivenAnswer[]; held: number }> {
  type Row = { held: boolean; value: number | null; comment: string; answered_at: Date | null; id: PersonId | null; name: string }
  const rows = await db.rows<Row>(
    `select a.value, a.comment, a.answered_at, a.held, p.id, p.name from survey_answer a left join person p on p.id = a.person_id where a.survey_id = $1 order by a.answered_at desc, a.id`,
    [survey],
  )
  const shown = shownOf(rows, endedAt !== null)
  const given = shown.map(({ value, comment, answered_at, id, name }) => ({
    answer: { value, comment },
    by: id === null ? null : { id, name },
    at: answered_at?.getTime() ?? null,
  }))
  return { given, held: rows.length - given.length }
}

/** What somebody is asked at the steps of the edition of a guide that holds, and has not answered. */
export const askedOf = (db: Db, guide: GuideId, person: PersonId): Promise<AskedQuestion[]> =>
  db.rows<AskedQuestion>(
    `select ${COLUMNS} from survey s
     where s.item_kind = 'guide' and s.item_id = $1 and s.ended_at is null and s.asked_by <> $2 and not exists (select 1 from survey_done d where d.survey_id = s.id and d.person_id = $2)
       and exists (select 1 from edition_part x join item i on i.kind = x.item_kind and i.id = x.item_id and i.edition = x.edition where x.item_kind = s.item_kind and x.item_id = s.item_id and x.part_id = s.part_id)
     order by s.asked_at`,
    [guide, person],
  )

/** Ends a question; once it has ended that changes nothing. */
export async function end(db: Db, guide: GuideId, id: SurveyId, now: number): Promise<void> {
  const [found] = await surveysOf(db, guide, id)
  if (!found) fail('not-found')
  await db.rows('update survey set ended_at = $2 where id = $1 and ended_at is null', [id, new Date(now)])
}

type Answering = { guide: GuideId; id: SurveyId; by: PersonId; now: number }
/** Takes an answer, once from each person. When it is the last that is wanted, the question ends and whoever asked it is told. */
export async function answer(
  db: Db,
  telling: Telling & { newId: NewId },
  { guide, id, by, now }: Answering,
  given: SurveyAnswer,
): Promise<void> {
  await db.transaction(async (tx) => {
    const survey = (await tx.rows<Locked>(LOCK, [id, guide]))[0] ?? fail('not-found')
    if (survey.ended_at !== null) fail('survey-over', 'It was ended, or has all its answers.')
    if (!isAnswerTo(survey.question, given)) fail('invalid', 'This is no answer to the question.')
    const first = await tx.rows(`insert into survey_done (survey_id, person_id) values ($1, $2) on conflict do nothing returning 1`, [
      id,
      by,
    ])
    if (first.length === 0) fail('survey-answered')
    const who = survey.anonymous ? { personId: null, answeredAt: null, held: true } : { personId: by, answeredAt: now, held: false }
    await tx.in(SURVEY_ANSWER).insert({ id: telling.newId(), surveyId: id, value: given.value, comment: given.comment, ...who })
    if (survey.anonymous) await mix(tx, telling.newId, id)
    const answers = survey.answers + 1
    const isLast = answers >= survey.most
    await tx.rows('update survey set answers = $2, ended_at = $3 where id = $1', [id, answers, isLast ? new Date(now) : null])
    if (!isLast) return
    const data = { title: survey.title, question: survey.question.words, answers }
    await notify(tx, telling, 'survey-over', guideItem(guide), [{ personId: survey.asked_by, data }], now)
  })
}
type Locked = {
  question: SurveyQuestion
  anonymous: boolean
  most: number
  answers: number
  asked_by: PersonId
  ended_at: Date | null
  title: string
}
const LOCK = `select s.question, s.anonymous, s.most, s.answers, s.asked_by, s.ended_at, i.title from survey s join item i on i.kind = s.item_kind and i.id = s.item_id
  where s.id = $1 and s.item_kind = 'guide' and s.item_id = $2 for update of s`

/** Writes all anonymous answers anew, so that nothing tells which came last. */
async function mix(tx: Db, newId: NewId, survey: SurveyId): Promise<void> {
  const all = await tx.rows<{ value: number | null; comment: string; held: boolean }>(
    'delete from survey_answer where survey_id = $1 returning value, comment, held',
    [survey],
  )
  const anew = writtenAnew(all, newId)
  await tx.in(SURVEY_ANSWER).insertAll(anew.map((row) => ({ ...row, surveyId: survey, personId: null, answeredAt: null })))
}
