import type { ExportId, FolderId, PersonId } from '@jackdaw/core/shared'
import { fail, type Parts } from '../http'
import { findCaller } from '../people'
import { noteOrder } from './exporting/store'
import { writeExport } from './exporting/writeExport'

type Booklet = { folderId: FolderId; title: string; by: PersonId }
/** Writes the guides of a folder as a booklet for somebody, at once. */
export async function addBooklet(parts: Parts, { folderId, title, by }: Booklet): Promise<void> {
  const { database: db, newId, clock } = parts
  const now = clock()
  const caller = (await findCaller(db, by)) ?? fail('not-found')
  const asked = { what: { of: 'folder', folderId }, as: { format: 'pdf', paper: 'a4' }, title, draft: false } as const
  const id = newId<ExportId>()
  await noteOrder(db, id, caller, asked, now)
  await writeExport(parts, id, { now, finish: (effect) => db.transaction(effect), progress: () => Promise.resolve() })
}
