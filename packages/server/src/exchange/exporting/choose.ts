import type { ExportAs, ExportWhat } from '@jackdaw/contracts/exports'
import { MOST_IN_EXPORT } from '@jackdaw/contracts/exports'
import { may } from '@jackdaw/core/people'
import type { GuideId, SectionId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { relationsToGuide } from '../../guides'
import { fail, failField, type Caller } from '../../http'

/** The guides that are put out, in order, and of one only a section, where that was chosen. */
export type Chosen = { guides: GuideId[]; section: SectionId | null }

/** The published guides of a folder and those below it, by folder and number. */
async function inFolder(db: Db, folderId: string): Promise<GuideId[]> {
  const rows = await db.rows<{ id: GuideId }>(
    `with recursive below as (
       select id, name::text as path from folder where id = $1 and archived_at is null
       union all select f.id, b.path || '/' || f.name from folder f join below b on f.parent_id = b.id where f.archived_at is null)
     select g.id from below b join guide g on g.folder_id = b.id join item i on i.kind = 'guide' and i.id = g.id
     where i.archived_at is null order by b.path, g.number`,
    [folderId],
  )
  return rows.map((row) => row.id)
}

/** Whether somebody may have a guide put out: what they may read, of a draft what they may edit. What is in the archive or was never published is no
 * edition to be had. */
async function mayHave(db: Db, caller: Caller, id: GuideId, draft: boolean, whole: boolean): Promise<boolean> {
  const relations = await relationsToGuide(db, caller, id)
  if (!relations || !may(caller.permissions, draft || whole ? 'item.edit' : 'item.read', relations)) return false
  if (draft) return true
  return Boolean(await db.one(`select 1 from item where kind = 'guide' and id = $1 and edition is not null and archived_at is null`, [id]))
}

/** What somebody has chosen to be put out, asked for rights guide by guide. What they may not know of does not exist; of a folder only that is taken
 * which they may have.
 * @throws Refused where something was named that they may not have, or nothing is left */
export async function choose(
  db: Db,
  caller: Caller,
  { what, as, draft }: { what: ExportWhat; as: ExportAs; draft: boolean },
): Promise<Chosen> {
  // All that is in a guide, also what tells what is right, is for those who may edit it.
  const whole = as.format === 'guide-file'
  if (what.of === 'folder') {
    const guides: GuideId[] = []
    for (const id of await inFolder(db, what.folderId)) if (await mayHave(db, caller, id, draft, whole)) guides.push(id)
    if (guides.length === 0) failField('/body/what/folderId', 'There is nothing in this folder that can be put out.')
    if (guides.length > MOST_IN_EXPORT)
      failField(
        '/body/what/folderId',
        `There are ${guides.length} guides in this folder; one file holds ${MOST_IN_EXPORT}. Choose some of them.`,
      )
    return { guides, section: null }
  }
  const guides = what.of === 'section' ? [what.guideId] : [...new Set(what.guides)]
  for (const id of guides)
    if (!(await mayHave(db, caller, id, draft, whole)))
      fail('not-found', 'A guide that was chosen is not there, is not published, or is not for you.')
  if (whole && (guides.length > 1 || what.of === 'section')) failField('/body/what', 'A guide file holds one whole guide.')
  return { guides, section: what.of === 'section' ? what.sectionId : null }
}
