import type { Folder } from '@jackdaw/contracts/library'
import { mayMoveUnder } from '@jackdaw/core/library'
import type { FolderId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail, failField } from '../http'

type Row = { id: FolderId; parent_id: FolderId | null; name: string; guides: number }
const folderOf = (row: Row): Folder => ({ id: row.id, parentId: row.parent_id, name: row.name, guides: row.guides })

/** Folders with the number of guides in each that the person may see. Who may not change folders sees those that lead to a guide. */
export async function listFoldersFor(db: Db, personId: PersonId, all: boolean): Promise<Folder[]> {
  const rows = await db.rows<Row>(
    `with recursive seen as (
       select g.folder_id, count(*)::int as guides from guide g
       where g.archived_at is null and g.folder_id is not null and exists (select 1 from guide_access x where x.guide_id = g.id and x.person_id = $1) group by g.folder_id),
     above as (
       select f.id, f.parent_id from folder f where $2 or f.id in (select folder_id from seen)
       union select f.id, f.parent_id from folder f join above a on a.parent_id = f.id)
     select f.id, f.parent_id, f.name, coalesce(s.guides, 0) as guides from folder f left join seen s on s.folder_id = f.id
     where f.archived_at is null and f.id in (select id from above) order by f.name, f.id`,
    [personId, all],
  )
  return rows.map(folderOf)
}

const livingFolder = async (db: Db, id: FolderId | null, pointer: string): Promise<void> => {
  if (id !== null && !(await db.one('select 1 from folder where id = $1 and archived_at is null', [id])))
    failField(pointer, 'There is no such folder any more.')
}
export { livingFolder as refuseMissingFolder }

export async function insertFolder(
  db: Db,
  folder: { id: FolderId; name: string; parentId: FolderId | null; now: number },
): Promise<Folder> {
  await livingFolder(db, folder.parentId, '/body/parentId')
  await db.rows('insert into folder (id, parent_id, name, created_at) values ($1, $2, $3, $4)', [
    folder.id,
    folder.parentId,
    folder.name,
    new Date(folder.now),
  ])
  return { id: folder.id, parentId: folder.parentId, name: folder.name, guides: 0 }
}

const TREE = 7_203_115

/** Renames, moves or archives a folder. Moves wait for one another, so that two of them cannot make a circle. */
export async function updateFolder(
  db: Db,
  id: FolderId,
  change: { name?: string | undefined; parentId?: FolderId | null | undefined; archived?: boolean | undefined },
  now: number,
): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.rows('select pg_advisory_xact_lock($1)', [TREE])
    const rows = await tx.rows<{ id: string; parentId: string | null; name: string }>(
      'select id, parent_id as "parentId", name from folder where archived_at is null',
    )
    if (!rows.some((row) => row.id === id)) fail('not-found', 'There is no such folder any more.')
    if (change.parentId !== undefined) {
      await livingFolder(tx, change.parentId, '/body/parentId')
      if (!mayMoveUnder(rows, id, change.parentId)) fail('folder-loop', 'Choose a folder outside the one that you move.')
      await tx.rows('update folder set parent_id = $2 where id = $1', [id, change.parentId])
    }
    if (change.name !== undefined) await tx.rows('update folder set name = $2 where id = $1', [id, change.name])
    if (change.archived === true) {
      const held = await tx.one<{ guides: number; folders: number }>(
        'select (select count(*)::int from guide where folder_id = $1 and archived_at is null) as guides, (select count(*)::int from folder where parent_id = $1 and archived_at is null) as folders',
        [id],
      )
      if (held!.guides + held!.folders > 0)
        fail('folder-not-empty', `It holds ${held!.guides} guides and ${held!.folders} folders. Move or archive those first.`)
      await tx.rows('update folder set archived_at = $2 where id = $1', [id, new Date(now)])
    }
  })
}
