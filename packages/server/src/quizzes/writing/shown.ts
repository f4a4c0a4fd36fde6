import type { getQuizDraft, QuizRow } from '@jackdaw/contracts/quizzes'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { quizItem } from '@jackdaw/core/items'
import { gradersIn, questionsAsked, type QuizDocument } from '@jackdaw/core/quizzes'
import type { PersonId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail } from '../../http'
import { ITEM, revisionOfEdition } from '../../items'
import { PERSON } from '../../people'
import { QUIZ, QUIZ_POOL } from '../model'
import { banksOf, findingsWith } from './banksOf'
import { testedSteps } from './testedSteps'
import { ownQuestions } from './writeQuiz'

type Row = {
  id: QuizId
  number: number
  title: string
  parts: QuizDocument['parts']
  pass_mark: number
  owner_id: PersonId
  owner: string
  edition: number | null
  changed: boolean
  archived: boolean
  changed_at: Date
  people: number
  passed: number
  attempts_to_pass: number | null
}
/** What of the parts is needed to count questions, without the questions. */
const PARTS = `(select coalesce(jsonb_agg(x - 'question'), '[]') from jsonb_array_elements(q.document -> 'parts') x)`
const BANK_CHANGED = `exists (select 1 from quiz_pool p join question_bank b on b.id = p.bank_id where p.quiz_id = q.id and p.edition = i.edition and b.revision <> p.revision)`

/** The quizzes that somebody may edit, those changed last on top. */
export async function quizzesOf(db: Db, caller: PersonId, archived: boolean): Promise<QuizRow[]> {
  const rows = await db.rows<Row>(
    `select q.id, q.number, q.document ->> 'title' as title, ${PARTS} as parts, (q.document ->> 'passMark')::int as pass_mark, o.id as owner_id, o.name as owner, i.edition,
       i.edition is not null and (e.revision <> q.revision or ${BANK_CHANGED}) as changed, i.archived_at is not null as archived, q.changed_at, x.people, x.passed, x.attempts_to_pass
     from quiz q join item i on i.kind = 'quiz' and i.id = q.id join person o on o.id = q.owner_id
     left join edition e on e.item_kind = 'quiz' and e.item_id = q.id and e.number = i.edition
     left join lateral (
       select count(*)::int as people, count(*) filter (where p.first_passed is not null)::int as passed, avg(p.first_passed)::float8 as attempts_to_pass
       from (select a.person_id, min(a.number) filter (where a.passed) as first_passed from quiz_attempt a where a.quiz_id = q.id and a.ended_at is not null group by a.person_id) p) x on true
     where (i.archived_at is not null) = $2 and exists (select 1 from item_access v where v.person_id = $1 and v.item_kind = 'quiz' and v.item_id = q.id and v.why in ('own', 'any'))
     order by q.changed_at desc, q.id limit 1000`,
    [caller, archived],
  )
  return rows.map(({ id, number, title, edition, changed, archived: is, people, passed, ...row }) => ({
    ...{ id, number, title, edition, changed, archived: is, people, passed },
    questions: questionsAsked(row.parts),
    passMark: row.pass_mark,
    owner: { id: row.owner_id, name: row.owner },
    changedAt: row.changed_at.getTime(),
    attemptsToPass: row.attempts_to_pass,
  }))
}

/** What a quiz says at the moment. */
export async function draftOf(db: Db, id: QuizId, caller: PersonId): Promise<Omit<ResponseOf<typeof getQuizDraft>, 'mayPublish'>> {
  const item = (await db.in(ITEM).one(quizItem(id))) ?? fail('not-found')
  const { number, revision, document } = (await db.in(QUIZ).one({ id })) ?? fail('not-found')
  const banks = await banksOf(db, document)
  const { edition } = item
  const [frozen, pools] =
    edition === null
      ? [undefined, []]
      : [await revisionOfEdition(db, quizItem(id), edition), await db.in(QUIZ_POOL).find({ quizId: id, edition })]
  const changedBanks = banks.filter((bank) => pools.some((pool) => pool.bankId === bank.bankId && pool.revision !== bank.revision))
  const people = [...document.tell.map(({ personId }) => personId), ...gradersIn(document.graders)]
  const named = await db.in(PERSON).find({ id: people }, { only: ['id', 'name'] })
  return {
    ...{ id, number, revision, document, edition, named: named.map(({ id: of, name }) => ({ id: of, name })) },
    changed: frozen !== revision || changedBanks.length > 0,
    changedBanks: changedBanks.map(({ title }) => title),
    archived: item.archivedAt !== null,
    findings: findingsWith(document, banks),
    tested: await testedSteps(db, ownQuestions(document), caller),
  }
}
