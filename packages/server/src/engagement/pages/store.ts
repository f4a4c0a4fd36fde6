import type { FigurePage } from '@jackdaw/contracts/figurePages'
import type { FigurePageId, LocalDate, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail } from '../../http'

type Row = Omit<FigurePage, 'owner'> & { owner_id: PersonId; owner_name: string }
/** The pages that somebody finds, by name: their own, and those that are shared; or one of them. */
export async function pagesFor(db: Db, person: PersonId, only: FigurePageId | null = null): Promise<FigurePage[]> {
  const rows = await db.rows<Row>(
    `select g.id, g.name, g.shared, g.parts, g.revision, p.id as owner_id, p.name as owner_name, m.every as mailed
     from figure_page g join person p on p.id = g.owner_id left join figure_page_mail m on m.page_id = g.id and m.person_id = $1
     where (g.owner_id = $1 or (g.shared and p.active)) and ($2::text is null or g.id = $2) order by plain(g.name), g.id`,
    [person, only],
  )
  return rows.map(({ owner_id, owner_name, ...row }) => ({ ...row, owner: { id: owner_id, name: owner_name } }))
}
/** One of them. */
export const pageFor = async (db: Db, person: PersonId, id: FigurePageId): Promise<FigurePage> =>
  (await pagesFor(db, person, id))[0] ?? fail('not-found')

type Saving = Pick<FigurePage, 'name' | 'shared' | 'parts' | 'revision'>
/** Makes a page, or changes one of its owner's that is still as they have seen it. @returns its new revision */
export async function savePage(
  db: Db,
  id: FigurePageId,
  owner: PersonId,
  { name, shared, parts, revision }: Saving,
  now: number,
): Promise<number> {
  return db.transaction(async (tx) => {
    await tx.rows('select pg_advisory_xact_lock(hashtextextended($1, 1))', [id])
    const there = await tx.one<{ owner_id: PersonId; revision: number }>('select owner_id, revision from figure_page where id = $1', [id])
    if (there && there.owner_id !== owner) fail('not-found', 'Only whoever made a page can change it.')
    if (!there && revision > 0) fail('not-found', 'This page has been taken away.')
    if (there && there.revision !== revision)
      fail('figure-page-changed', 'It was changed in another window. Load it again, and change it there.')
    await tx.rows(
      `insert into figure_page (id, owner_id, name, shared, parts, revision, changed_at) values ($1, $2, $3, $4, $5, $6, $7)
       on conflict (id) do update set name = excluded.name, shared = excluded.shared, parts = excluded.parts, revision = excluded.revision, changed_at = excluded.changed_at`,
      [id, owner, name, shared, JSON.stringify(parts), revision + 1, new Date(now)],
    )
    // Who does not find it any more gets no mail of it.
    if (!shared) await tx.rows('delete from figure_page_mail where page_id = $1 and person_id <> $2', [id, owner])
    return revision + 1
  })
}
/** Takes a page away, with the mails of it. */
export async function dropPage(db: Db, id: FigurePageId, owner: PersonId): Promise<void> {
  const gone = await db.rows('delete from figure_page where id = $1 and owner_id = $2 returning 1', [id, owner])
  if (gone.length === 0) fail('not-found', 'Only whoever made a page can take it away.')
}

/** Says how often somebody gets a page by mail, from the next turn on. */
export async function mailPage(db: Db, id: FigurePageId, person: PersonId, every: FigurePage['mailed'], today: LocalDate): Promise<void> {
  await pageFor(db, person, id)
  if (every === null) await db.rows('delete from figure_page_mail where page_id = $1 and person_id = $2', [id, person])
  else
    await db.rows(
      `insert into figure_page_mail (page_id, person_id, every, mailed_on) values ($1, $2, $3, $4::date) on conflict (page_id, person_id) do update set every = excluded.every`,
      [id, person, every, today],
    )
}
