import type { GuideRow, GuideSort, GuideState } from '@jackdaw/contracts/library'
import type { GuideKind } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import type { FolderId, GuideId, PersonId } from '@jackdaw/core/shared'
import { Op } from 'sequelize'
import type { Db } from '../db'
import { GUIDE, GUIDE_SHARE } from '../guides'
import { failField, type Caller } from '../http'
import { notify, takeBack, type Telling } from '../inbox'
import { ITEM } from '../items'
import { PERSON } from '../people'
import { refuseMissingFolder } from './folders'

export const PAGE_SIZE = 50

type Row = {
  id: GuideId
  number: number
  title: string
  kind: GuideKind
  owner_id: PersonId
  owner: string
  folder_id: FolderId | null
  folder: string
  state: GuideState
  edition: number | null
  changed_at: Date
  changed_by: string
  may_edit: boolean
  may_read: boolean
  total: number
}
type Find = {
  folder?: string | undefined
  find?: string | undefined
  kind?: string | undefined
  archived: boolean
  sort: GuideSort
  down: boolean
  page: number
}

const SORT: Record<GuideSort, string> = {
  number: 'number',
  title: 'title',
  kind: 'kind',
  owner: 'owner',
  state: 'state',
  changed: 'changed_at',
}

/** Guides that the person may see, a page of them. Who may only read sees published titles and dates, not what the draft has become. */
export async function findGuides(db: Db, caller: Caller, find: Find): Promise<{ rows: GuideRow[]; total: number }> {
  const number = /^#?\d{1,9}$/.test(find.find ?? '') ? Number(find.find!.replace('#', '')) : null
  const rows = await db.rows<Row>(
    `with recursive inside as (
       select id from folder where id = $2 union select f.id from folder f join inside i on f.parent_id = i.id),
     mine as (
       select g.*, i.edition, i.title as published_title, i.archived_at, p.name as owner, coalesce(f.name, '') as folder, c.name as changer, d.revision, e.revision as edition_revision, e.published_at,
         exists (select 1 from item_access x where x.item_kind = 'guide' and x.item_id = g.id and x.person_id = $1 and x.why in ('own', 'shared', 'any')) as may_edit
       from guide g join item i on i.kind = 'guide' and i.id = g.id join person p on p.id = g.owner_id join person c on c.id = g.changed_by join draft d on d.guide_id = g.id
       left join folder f on f.id = g.folder_id left join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition
       where exists (select 1 from item_access x where x.item_kind = 'guide' and x.item_id = g.id and x.person_id = $1)
         and ($2::text is null or g.folder_id in (select id from inside)) and ($3::text is null or g.kind = $3) and (i.archived_at is not null) = $4),
     told as (
       select id, number, case when may_edit then title else published_title end as title, kind, owner_id, owner, folder_id, folder,
         case when archived_at is not null then 'archived' when edition is null then 'draft' when may_edit and revision <> edition_revision then 'changed' else 'published' end as state,
         edition, case when may_edit then changed_at else published_at end as changed_at, case when may_edit then changer else '' end as changed_by,
         may_edit, edition is not null as may_read
       from mine)
     select *, count(*) over ()::int as total from told
     where $5 = '' or position(plain($5) in plain(title)) > 0 or number = $6
     order by ${SORT[find.sort]} ${find.down ? 'desc' : 'asc'}, number limit ${PAGE_SIZE} offset $7`,
    [caller.id, find.folder ?? null, find.kind ?? null, find.archived, find.find ?? '', number, (find.page - 1) * PAGE_SIZE],
  )
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map((row) => ({
      id: row.id,
      number: row.number,
      title: row.title,
      kind: row.kind,
      owner: { id: row.owner_id, name: row.owner },
      folderId: row.folder_id,
      folder: row.folder,
      state: row.state,
      edition: row.edition,
      changedAt: row.changed_at.getTime(),
      changedBy: row.changed_by,
      mayEdit: row.may_edit,
      mayRead: row.may_read,
    })),
  }
}

export type GuideChange = {
  folderId?: FolderId | null | undefined
  ownerId?: PersonId | undefined
  sharedWith?: PersonId[] | undefined
  archived?: boolean | undefined
}

const mayWrite = async (db: Db, ids: readonly PersonId[], pointer: string): Promise<void> => {
  const found = await db.in(PERSON).count({ id: [...ids], active: true, permissions: { [Op.contains]: ['guides.write'] } })
  if (found < new Set(ids).size) failField(pointer, 'Choose people who may write guides.')
}

/** Lets exactly these people write a guide along; those who could not before are asked to. */
export async function shareWith(
  tx: Db,
  telling: Telling,
  caller: Pick<Caller, 'id' | 'name'>,
  id: GuideId,
  people: readonly PersonId[],
  now: number,
): Promise<void> {
  await mayWrite(tx, people, '/body/sharedWith')
  const before = new Set((await tx.in(GUIDE_SHARE).find({ guideId: id })).map((row) => row.personId))
  const wanted = new Set(people)
  await tx.in(GUIDE_SHARE).remove({ guideId: id })
  await tx.in(GUIDE_SHARE).insertAll([...wanted].map((personId) => ({ guideId: id, personId })))
  const guide = await tx.in(GUIDE).one({ id }, { only: ['title'] })
  const data = { title: guide?.title ?? '', by: caller.name }
  await takeBack(
    tx,
    'write-along',
    guideItem(id),
    [...before].filter((each) => !wanted.has(each)),
  )
  const asked = [...wanted].filter((each) => !before.has(each) && each !== caller.id)
  await notify(
    tx,
    telling,
    'write-along',
    guideItem(id),
    asked.map((personId) => ({ personId, data })),
    now,
  )
}

/** Changes the facts about a guide that are not part of its text. */
export async function updateGuide(
  db: Db,
  telling: Telling,
  caller: Pick<Caller, 'id' | 'name'>,
  id: GuideId,
  change: GuideChange,
  now: number,
): Promise<void> {
  await db.transaction(async (tx) => {
    // One change of a guide at a time: the lists of several would get mixed up.
    await tx.in(GUIDE).one({ id }, { only: ['id'], lock: true })
    const { folderId, ownerId, sharedWith, archived } = change
    if (folderId !== undefined) {
      await refuseMissingFolder(tx, folderId, '/body/folderId')
      await tx.in(GUIDE).update({ folderId }, { id })
    }
    if (ownerId !== undefined) {
      await mayWrite(tx, [ownerId], '/body/ownerId')
      await tx.in(GUIDE).update({ ownerId }, { id })
    }
    if (sharedWith !== undefined) await shareWith(tx, telling, caller, id, sharedWith, now)
    if (archived !== undefined) await tx.in(ITEM).update({ archivedAt: archived ? now : null }, { kind: 'guide', id })
  })
}
