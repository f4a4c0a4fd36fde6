import type { getReader } from '@jackdaw/contracts/reading'
import { NEWEST_VERSION } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import type { GuideId, LocalDate, PersonId, GroupId, StepId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'
import { noteGiven } from '../events'
import { partDoneSql } from '../items'
import { documentToSend } from '../guides'
import { fail, type AnswerOf } from '../http'
import { quizzesAmong } from '../quizzes'

type Row = {
  number: number
  edition: number
  required_edition: number
  published_at: Date
  change_note: string
  minutes: number
  bytes: string
  amended_at: Date | null
  owner: string
  due_on: LocalDate | null
  assigned: boolean
  favourite: boolean
  last_part_id: StepId | null
  finished_edition: number | null
  given: boolean
  has_quizzes: boolean
  sites: GroupId[]
  roles: GroupId[]
  seen: StepId[]
  acknowledged: StepId[]
  confirmed: StepId[]
  pictures: Record<string, { widthPx: number; heightPx: number }>
}

const DONE = (what: 'seen' | 'acknowledged' | 'confirmed') =>
  `array(select s.part_id from part_progress s where s.item_kind = i.kind and s.item_id = i.id and s.person_id = $2 and ${partDoneSql(what, 'i.required_edition')}) as ${what}`
/** One query, since this is what staff ask for most: what it costs is the way to the database and back. */
const READER = keepPlan(
  'reader',
  `
  select i.number, i.edition, i.required_edition, e.published_at, e.change_note, e.minutes, e.bytes, o.name as owner,
    to_char(a.due_on, 'YYYY-MM-DD') as due_on, coalesce(a.use = 'to-do', false) as assigned, r.last_part_id,
    case when a.round_from is null or r.last_finished_at >= a.round_from then r.finished_edition end as finished_edition,
    (select max(m.amended_at) from edition_amendment x join picture_amendment m on m.id = x.amendment_id where x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition) as amended_at,
    exists (select 1 from edition_given x where x.item_kind = i.kind and x.item_id = i.id and x.person_id = $2 and x.edition = i.edition) as given,
    exists (select 1 from guide_quiz x where x.guide_id = i.id and x.edition = i.edition) as has_quizzes,
    exists (select 1 from favourite f where f.item_kind = i.kind and f.item_id = i.id and f.person_id = $2) as favourite,
    array(select m.group_id from member m where m.person_id = $2 and m.kind = 'role') as roles,
    array(select m.group_id from member m where m.person_id = $2 and m.kind = 'site') as sites,
    ${DONE('seen')}, ${DONE('acknowledged')}, ${DONE('confirmed')},
    (select coalesce(json_object_agg(v.picture_id, json_build_object('widthPx', v.width_px, 'heightPx', v.height_px)), '{}') from (
      select distinct on (v.picture_id) v.picture_id, v.width_px, v.height_px from picture_use u join picture_version v on v.picture_id = u.picture_id
      where u.item_kind = i.kind and u.item_id = i.id and u.edition = i.edition order by v.picture_id, v.version desc) v) as pictures
  from item i join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition
  join guide g on g.id = i.id join person o on o.id = g.owner_id
  left join assignment a on a.item_kind = i.kind and a.item_id = i.id and a.person_id = $2
  left join item_progress r on r.item_kind = i.kind and r.item_id = i.id and r.person_id = $2
  where i.kind = 'guide' and i.id = $1`,
)

/** The newest edition of a guide for somebody who uses it, with how far they are. It is written down that it was given to them.
 * @param now epoch milliseconds
 * @throws a problem `not-found` when the guide has not been published */
export async function readerOf(db: Db, id: GuideId, personId: PersonId, now: number): Promise<AnswerOf<typeof getReader>> {
  const row = await db.one<Row>(READER, [id, personId])
  if (!row) return fail('not-found', 'This guide has not been published yet.')
  if (!row.given) await noteGiven(db, personId, [{ item: guideItem(id), edition: row.edition }], now)
  return {
    guideId: id,
    number: row.number,
    edition: row.edition,
    newestEdition: row.edition,
    publishedAt: row.published_at.getTime(),
    changeNote: row.change_note,
    minutes: row.minutes,
    owner: row.owner,
    // Canonical JSON ends with its version.
    document: documentToSend(row.bytes, row.bytes.endsWith(`"version":${NEWEST_VERSION}}`)),
    amendedAt: row.amended_at?.getTime() ?? null,
    assigned: row.assigned,
    favourite: row.favourite,
    dueOn: row.due_on,
    reader: { roles: row.roles, sites: row.sites },
    pictureSizes: row.pictures,
    quizzes: row.has_quizzes ? await quizzesAmong(db, id, row.edition, personId) : [],
    progress: {
      // After a new edition that must be read, reading begins at the front again.
      lastStepId: row.last_part_id !== null && row.seen.includes(row.last_part_id) ? row.last_part_id : null,
      seen: row.seen,
      acknowledged: row.acknowledged,
      confirmed: row.confirmed,
      finishedEdition: row.finished_edition,
      mustReread: row.finished_edition !== null && row.finished_edition < row.required_edition,
    },
  }
}
