import type { FoundQuiz } from '@jackdaw/contracts/library'
import type { PersonId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { PAGE_SIZE } from './guides'

type Row = {
  id: QuizId
  number: number
  title: string
  owner_id: PersonId
  owner: string
  edition: number | null
  minutes: number | null
  published_at: Date | null
  may_edit: boolean
  total: number
}

/** Quizzes that the person may see, by title, a page of them. Who may only take one sees what is published, not what the draft has become. */
export async function findQuizzes(
  db: Db,
  personId: PersonId,
  { find, page }: { find: string; page: number },
): Promise<{ rows: FoundQuiz[]; total: number }> {
  const number = /^#?\d{1,9}$/.test(find) ? Number(find.replace('#', '')) : null
  const rows = await db.rows<Row>(
    `with mine as (
       select q.id, q.number, q.document ->> 'title' as draft_title, q.owner_id, o.name as owner, i.title as published_title, i.edition, e.minutes, e.published_at,
         exists (select 1 from item_access x where x.item_kind = 'quiz' and x.item_id = q.id and x.person_id = $1 and x.why in ('own', 'any')) as may_edit
       from quiz q join item i on i.kind = 'quiz' and i.id = q.id join person o on o.id = q.owner_id
       left join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition
       where i.archived_at is null and exists (select 1 from item_access x where x.item_kind = 'quiz' and x.item_id = q.id and x.person_id = $1)),
     told as (select *, case when may_edit then draft_title else published_title end as title from mine)
     select *, count(*) over ()::int as total from told where $2 = '' or position(plain($2) in plain(title)) > 0 or number = $3
     order by title, number limit ${PAGE_SIZE} offset $4`,
    [personId, find, number, (page - 1) * PAGE_SIZE],
  )
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map((row) => ({
      ...{ id: row.id, number: row.number, title: row.title, edition: row.edition, minutes: row.minutes, mayEdit: row.may_edit },
      owner: { id: row.owner_id, name: row.owner },
      publishedAt: row.published_at?.getTime() ?? null,
    })),
  }
}
