import type { BankRow as BankInList, getBank } from '@jackdaw/contracts/quizzes'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { BankDocument } from '@jackdaw/core/quizzes'
import type { BankId, PersonId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail } from '../../http'
import { BANK } from '../model'
import { checkBankFiles } from '../writing/checkFiles'
import { testedSteps } from '../writing/testedSteps'

/** Which quizzes draw from a bank: those whose draft does. */
const DRAWS = `exists (select 1 from jsonb_array_elements(q.document -> 'parts') x where x ->> 'part' = 'draw' and x ->> 'bankId' = b.id)`
type Row = {
  id: BankId
  number: number
  title: string
  questions: number
  tags: { tag: string; questions: number }[]
  owner_id: PersonId
  owner: string
  quizzes: number
  archived: boolean
  may_edit: boolean
  changed_at: Date
}
/** All banks, those changed last on top. @param mayEditAll whether the caller may edit those of others too */
export async function allBanks(db: Db, caller: PersonId, mayEditAll: boolean, archived: boolean): Promise<BankInList[]> {
  const rows = await db.rows<Row>(
    `select b.id, b.number, b.document ->> 'title' as title, jsonb_array_length(b.document -> 'questions') as questions, o.id as owner_id, o.name as owner, b.archived_at is not null as archived,
       b.changed_at, $2 or b.owner_id = $1 as may_edit, (select count(*)::int from quiz q where ${DRAWS}) as quizzes,
       (select coalesce(json_agg(json_build_object('tag', t.tag, 'questions', t.questions) order by t.tag), '[]') from (
         select g.tag, count(*)::int as questions from jsonb_array_elements(b.document -> 'questions') x, jsonb_array_elements_text(x -> 'tags') as g (tag) group by g.tag) t) as tags
     from question_bank b join person o on o.id = b.owner_id where (b.archived_at is not null) = $3 order by b.changed_at desc, b.id limit 500`,
    [caller, mayEditAll, archived],
  )
  return rows.map(({ owner_id, owner, may_edit: mayEdit, changed_at, ...row }) => ({
    ...{ ...row, mayEdit, owner: { id: owner_id, name: owner } },
    changedAt: changed_at.getTime(),
  }))
}

/** Makes a bank. */
export async function createBank(
  db: Db,
  { id, document, ownerId, now }: { id: BankId; document: BankDocument; ownerId: PersonId; now: number },
): Promise<void> {
  await checkBankFiles(db, null, document.questions)
  await db.in(BANK).insert({ id, ownerId, revision: 1, document, createdAt: now, changedAt: now, changedBy: ownerId })
}

/** A bank with its questions, and the quizzes that draw from it, as far as the caller may edit them. */
export async function bankFor(db: Db, id: BankId, caller: PersonId): Promise<Omit<ResponseOf<typeof getBank>, 'mayEdit'>> {
  const { number, revision, document, archivedAt } = (await db.in(BANK).one({ id })) ?? fail('not-found')
  const quizzes = await db.rows<{ id: QuizId; title: string }>(
    `select q.id, q.document ->> 'title' as title from question_bank b join quiz q on ${DRAWS} where b.id = $1
       and exists (select 1 from item_access v where v.person_id = $2 and v.item_kind = 'quiz' and v.item_id = q.id and v.why in ('own', 'any')) order by 2, 1`,
    [id, caller],
  )
  return {
    id,
    number,
    revision,
    document,
    archived: archivedAt !== null,
    quizzes,
    tested: await testedSteps(db, document.questions, caller),
  }
}

/** Writes a bank anew.
 * @returns its revision
 * @throws `draft-moved-on` when somebody has changed it meanwhile */
export async function saveBank(
  db: Db,
  id: BankId,
  { revision, document }: { revision: number; document: BankDocument },
  by: PersonId,
  now: number,
): Promise<number> {
  return db.transaction(async (tx) => {
    const was = (await tx.in(BANK).one({ id }, { lock: true })) ?? fail('not-found')
    await checkBankFiles(tx, id, document.questions)
    if (was.revision !== revision)
      fail('draft-moved-on', 'Somebody has changed this bank while it was open here. Copy what you wrote, and load it again.')
    await tx.in(BANK).update({ document, revision: revision + 1, changedAt: now, changedBy: by }, { id })
    return revision + 1
  })
}
