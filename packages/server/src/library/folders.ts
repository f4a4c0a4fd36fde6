import type { Folder } from '@jackdaw/contracts/library'
import { mayMoveUnder } from '@jackdaw/core/library'
import type { FolderId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { FOLDER } from './model'
import { fail, failField, said } from '../http'

type Row = { id: FolderId; parent_id: FolderId | null; name: string; guides: number }
const folderOf = (row: Row): Folder => ({ id: row.id, parentId: row.parent_id, name: row.name, guides: row.guides })

/** Folders with the number of guides in each that the person may see. Who may not change folders sees those that lead to a guide. */
export async function listFoldersFor(db: Db, personId: PersonId, all: boolean): Promise<Folder[]> {
  const rows = await db.rows<Row>(
    `with recursive seen as (
       select g.folder_id, count(*)::int as guides from guide g join item i on i.kind = 'guide' and i.id = g.id
       where i.archived_at is null and g.folder_id is not null and exists (select 1 from item_access x where x.item_kind = i.kind and x.item_id = i.id and x.person_id = $1) group by g.folder_id),
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
  if (id !== null && !(await db.in(FOLDER).one({ id, archivedAt: null }))) failField(pointer, 'There is no such folder any more.')
}
export { livingFolder as refuseMissingFolder }

export async function insertFolder(
  db: Db,
  folder: { id: FolderId; name: string; parentId: FolderId | null; now: number },
): Promise<Folder> {
  await livingFolder(db, folder.parentId, '/body/parentId')
  const { id, parentId, name } = folder
  await db.in(FOLDER).insert({ id, parentId, name, createdAt: folder.now })
  return { id, parentId, name, guides: 0 }
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
    const rows = await tx.in(FOLDER).find({ archivedAt: null }, { only: ['id', 'parentId', 'name'] })
    if (!rows.some((row) => row.id === id)) fail('not-found', 'There is no such folder any more.')
    if (change.parentId !== undefined) {
      await livingFolder(tx, change.parentId, '/body/parentId')
      if (!mayMoveUnder(rows, id, change.parentId)) fail('folder-loop', 'Choose a folder outside the one that you move.')
      await tx.in(FOLDER).update({ parentId: change.parentId }, { id })
    }
    if (change.name !== undefined) await tx.in(FOLDER).update({ name: change.name }, { id })
    if (change.archived === true) {
      const held = await tx.one<{ guides: number; folders: number }>(
        `select (select count(*)::int from guide g join item i on i.kind = 'guide' and i.id = g.id where g.folder_id = $1 and i.archived_at is null) as guides,
           (select count(*)::int from folder where parent_id = $1 and archived_at is null) as folders`,
        [id],
      )
      if (held!.guides + held!.folders > 0)
        fail(
          'folder-not-empty',
          said('It holds {{guides}} guides and {{folders}} folders. Move or archive those first.', {
            guides: held!.guides,
            folders: held!.folders,
          }),
        )
      await tx.in(FOLDER).update({ archivedAt: now }, { id })
    }
  })
}
