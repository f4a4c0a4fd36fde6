import type { AskedSurvey, AudienceSurvey, AudienceSurveyResults, NewAudienceSurvey } from '@jackdaw/contracts/audienceSurveys'
import type { PersonRef } from '@jackdaw/contracts/people'
import { aboutSurvey } from '@jackdaw/core/inbox'
import { localDateAt, type AudienceId, type AudienceSurveyId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { faultOfAnswers, shownOf, type SurveyAnswers, type SurveyDocument } from '@jackdaw/core/surveys'
import { audienceFor, audienceShown, idsOf } from '../audiences'
import type { Db } from '../db'
import { fail, type Caller, type Parts } from '../http'
import { notify, settle, takeBack } from '../inbox'
import { writtenAnew } from './held'
import { AUDIENCE_SURVEY_ANSWER } from './model'

/** Whether a survey can still be answered on a day. */
const OPEN = (today: string) => `s.ended_at is null and (s.until is null or s.until >= ${today}::date)`

type Row = {
  id: AudienceSurveyId
  document: SurveyDocument
  audience_id: AudienceId
  anonymous: boolean
  until: LocalDate | null
  by_id: PersonId
  by: string
  sent_at: Date
  ended_at: Date | null
  over: boolean
  asked: number
  answered: number
}
async function surveyRows(db: Db, only: AudienceSurveyId | null, today: LocalDate): Promise<Row[]> {
  return db.rows<Row>(
    `select s.id, s.document, s.audience_id, s.anonymous, to_char(s.until, 'YYYY-MM-DD') as until, p.id as by_id, p.name as by, s.sent_at, s.ended_at, not (${OPEN('$2')}) as over,
       (select count(*)::int from audience_survey_asked a where a.survey_id = s.id) as asked,
       (select count(*)::int from audience_survey_asked a where a.survey_id = s.id and a.done) as answered
     from audience_survey s join person p on p.id = s.sent_by where $1::text is null or s.id = $1 order by s.sent_at desc, s.id`,
    [only, today],
  )
}
const surveyOf = ({ id, document, anonymous, until, by_id, by, sent_at, ended_at, over, asked, answered }: Row): AudienceSurvey => ({
  ...{ id, document, anonymous, until, over, asked, answered },
  sentBy: { id: by_id, name: by },
  sentAt: sent_at.getTime(),
  endedAt: ended_at?.getTime() ?? null,
})
/** The surveys, the newest first. */
export const audienceSurveysOf = async (db: Db, today: LocalDate): Promise<AudienceSurvey[]> =>
  (await surveyRows(db, null, today)).map(surveyOf)

/** Sends a survey to everybody of its audience but whoever sends it, and tells them. @returns how many are asked */
export async function sendSurvey(
  db: Db,
  parts: Parts,
  id: AudienceSurveyId,
  survey: NewAudienceSurvey,
  { by, now }: { by: Pick<Caller, 'id' | 'name' | 'zone'>; now: number },
): Promise<number> {
  return db.transaction(async (tx) => {
    await tx.rows('select pg_advisory_xact_lock(hashtextextended($1, 2))', [id])
    const today = localDateAt(now, by.zone)
    const [there] = await surveyRows(tx, id, today)
    if (there) return there.asked
    if (survey.until !== null && survey.until < today) fail('invalid', 'Its last day is over already.')
    // Who joins later is not asked: a rule of its own is taken as of the day.
    const audience = 'saved' in survey.audience ? survey.audience : { ...survey.audience, asOf: survey.audience.asOf ?? today }
    const audienceId = await audienceFor(tx, parts, audience, null, by.id, now)
    const people = [...(await idsOf(tx, audience, now))].filter((each) => each !== by.id)
    if (people.length === 0) fail('nobody-asked', 'Nobody but you belongs to this audience.')
    await tx.rows(
      'insert into audience_survey (id, document, audience_id, anonymous, until, sent_by, sent_at) values ($1, $2, $3, $4, $5::date, $6, $7)',
      [id, JSON.stringify(survey.document), audienceId, survey.anonymous, survey.until, by.id, new Date(now)],
    )
    await tx.rows('insert into audience_survey_asked (survey_id, person_id, done) select $1, x, false from unnest($2::text[]) x', [
      id,
      people,
    ])
    const data = { title: survey.document.title, by: by.name, due: survey.until }
    await notify(
      tx,
      parts,
      'survey',
      aboutSurvey(id),
      people.map((personId) => ({ personId, data })),
      now,
    )
    return people.length
  })
}

const waitingFor = (db: Db, id: AudienceSurveyId): Promise<PersonRef[]> =>
  db.rows<PersonRef>(
    'select p.id, p.name from audience_survey_asked a join person p on p.id = a.person_id where a.survey_id = $1 and not a.done order by p.name, p.id',
    [id],
  )

/** A survey with its answers, as far as they are shown. */
export async function surveyResults(db: Db, id: AudienceSurveyId, today: LocalDate): Promise<AudienceSurveyResults> {
  const [row = fail('not-found')] = await surveyRows(db, id, today)
  type Given = { held: boolean; answers: SurveyAnswers; answered_at: Date | null; by_id: PersonId | null; by: string | null }
  const given = await db.rows<Given>(
    `select a.answers, a.answered_at, a.held, p.id as by_id, p.name as by from audience_survey_answer a left join person p on p.id = a.person_id where a.survey_id = $1 order by a.answered_at desc, a.id`,
    [id],
  )
  const shown = shownOf(given, row.over)
  const answers = shown.flatMap(({ answers: all, answered_at, by_id, by }) =>
    all.map((each) => ({ ...each, by: by_id === null ? null : { id: by_id, name: by ?? '' }, at: answered_at?.getTime() ?? null })),
  )
  return {
    survey: surveyOf(row),
    audience: await audienceShown(db, row.audience_id),
    waiting: row.anonymous ? null : await waitingFor(db, id),
    answers,
    held: given.length - shown.length,
  }
}

/** Ends a survey; those who have not answered it are not told of it any more. */
export async function endSent(db: Db, id: AudienceSurveyId, now: number): Promise<void> {
  await db.transaction(async (tx) => {
    const ended = await tx.rows('update audience_survey set ended_at = coalesce(ended_at, $2) where id = $1 returning id', [
      id,
      new Date(now),
    ])
    if (ended.length === 0) fail('not-found')
    const waiting = await waitingFor(tx, id)
    await takeBack(
      tx,
      'survey',
      aboutSurvey(id),
      waiting.map((each) => each.id),
    )
  })
}

/** What somebody is asked and has not answered. */
export const askedSurveysOf = (db: Db, person: PersonId, today: LocalDate): Promise<AskedSurvey[]> =>
  db.rows<AskedSurvey>(
    `select s.id, s.document, s.anonymous, to_char(s.until, 'YYYY-MM-DD') as until, p.name as by
     from audience_survey_asked a join audience_survey s on s.id = a.survey_id join person p on p.id = s.sent_by
     where a.person_id = $1 and not a.done and ${OPEN('$2')} order by s.until nulls last, s.sent_at, s.id`,
    [person, today],
  )

const SAID = {
  unknown: 'One of the answers is to a question that is not asked.',
  twice: 'One of the questions is answered twice.',
  'no-answer': 'One of the answers is none to its question.',
  missing: 'A question that has to be answered is not.',
}
type Answering = { id: AudienceSurveyId; by: PersonId; today: LocalDate; now: number }
/** Takes the answers of somebody who is asked, once. Of a survey without names all answers are written anew, in an order made by chance: not even where they lie tells which came last. */
export async function answerAsked(db: Db, parts: Parts, { id, by, today, now }: Answering, answers: SurveyAnswers): Promise<void> {
  await db.transaction(async (tx) => {
    type Locked = { document: SurveyDocument; anonymous: boolean; open: boolean; done: boolean }
    const asked =
      (await tx.one<Locked>(
        `select s.document, s.anonymous, ${OPEN('$3')} as open, a.done from audience_survey s join audience_survey_asked a on a.survey_id = s.id and a.person_id = $2 where s.id = $1 for update of s`,
        [id, by, today],
      )) ?? fail('not-found')
    if (asked.done) fail('survey-answered')
    if (!asked.open) fail('survey-over', 'It was ended, or its last day is over.')
    const fault = faultOfAnswers(asked.document, answers)
    if (fault) fail('invalid', SAID[fault])
    await tx.rows('update audience_survey_asked set done = true where survey_id = $1 and person_id = $2', [id, by])
    await settle(tx, 'survey', aboutSurvey(id), by, now)
    const who = asked.anonymous ? { personId: null, answeredAt: null, held: true } : { personId: by, answeredAt: now, held: false }
    await tx.in(AUDIENCE_SURVEY_ANSWER).insert({ id: parts.newId(), surveyId: id, answers, ...who })
    if (!asked.anonymous) return
    const all = await tx.rows<{ answers: SurveyAnswers; held: boolean }>(
      'delete from audience_survey_answer where survey_id = $1 returning answers, held',
      [id],
    )
    const anew = writtenAnew(all, parts.newId)
    await tx.in(AUDIENCE_SURVEY_ANSWER).insertAll(anew.map((row) => ({ ...row, surveyId: id, personId: null, answeredAt: null })))
  })
}
