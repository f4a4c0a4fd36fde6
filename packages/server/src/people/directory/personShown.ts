import type { ManagedFacts, PersonShown } from '@jackdaw/contracts/directory'
import { may, mayChangeAccount } from '@jackdaw/core/people'
import { localDateAt, type GroupId, type GroupKindId, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, type Caller, type Context } from '../../http'
import { PERSON } from '../model'
import { absencesOf } from './absences'
import { dutiesOf } from './duties'
import { directorySettings } from './settings'

type SpanRow = { id: GroupId; kind: GroupKindId; kindName: string; name: string; closed: boolean; since: Date; until: Date | null }
type Span = PersonShown['groups'][number]

/** In which groups somebody is and was, newest first; days are those of the reader's place of work. */
async function spansOf(db: Db, id: PersonId, zone: string): Promise<Span[]> {
  const rows = await db.rows<SpanRow>(
    `select g.id, g.kind_id as kind, k.name as "kindName", g.name, g.closed_at is not null as closed, m.since, m.until
     from membership m join people_group g on g.id = m.group_id join group_kind k on k.id = g.kind_id where m.person_id = $1 order by m.until desc nulls first, g.kind_id, g.name`,
    [id],
  )
  return rows.map(({ since, until, ...group }) => ({
    group,
    since: localDateAt(since.getTime(), zone),
    until: until === null ? null : localDateAt(until.getTime(), zone),
  }))
}

const facesSql = 'left(face_hash, 16) as face'
/** What those who may change somebody know of them besides. */
async function managedOf(db: Db, id: PersonId): Promise<ManagedFacts> {
  const row = await db.in(PERSON).one({ id })
  if (!row) return fail('not-found')
  const { mail, telephone, number, level, permissions, siteId, startedOn } = row
  return { mail, telephone, number, level, permissions, siteId, startedOn, hasPassword: row.passwordHash !== null }
}

/** A person as a reader may see them. */
export async function personShown(
  db: Db,
  id: PersonId,
  caller: Caller,
  relations: Context['relations'],
  now: number,
): Promise<PersonShown> {
  const shows = await directorySettings(db)
  const row = await db.one<{
    name: string
    face: string | null
    active: boolean
    jobTitle: string
    mail: string | null
    telephone: string
    manager_id: PersonId | null
    manager: string | null
  }>(
    `select p.name, left(p.face_hash, 16) as face, p.active, p.job_title as "jobTitle", p.mail, p.telephone, b.id as manager_id, b.name as manager from person p left join person b on b.id = p.manager_id where p.id = $1`,
    [id],
  )
  if (!row) return fail('not-found')
  const spans = await spansOf(db, id, caller.zone)
  const present = spans.filter((span) => span.until === null)
  const reports = await db.rows<PersonShown['reports'][number]>(
    `select id, name, job_title as "jobTitle", ${facesSql} from person where manager_id = $1 and active order by name, id`,
    [id],
  )
  const allowed = (action: 'person.absence' | 'person.change' | 'person.invite' | 'person.password') =>
    may(caller.permissions, action, relations)
  const [mayChange, mayInvite] = [allowed('person.change'), allowed('person.invite')]
  const account = await managedOf(db, id)
  const mayTouch = id === caller.id || mayChangeAccount(caller.permissions, account.permissions)
  const self = id === caller.id
  return {
    ...{ id, name: row.name, face: row.face, active: row.active, jobTitle: row.jobTitle, reports },
    mail: shows.mail || self ? row.mail : null,
    telephone: (shows.telephone || self) && row.telephone !== '' ? row.telephone : null,
    manager: row.manager_id === null ? null : { id: row.manager_id, name: row.manager ?? '' },
    groups: present,
    past: spans.filter((span) => span.until !== null),
    duties: await dutiesOf(
      db,
      present.map((span) => span.group.id),
      caller.id,
    ),
    absences: await absencesOf(db, id, caller.zone, now),
    maySayAway: row.active && allowed('person.absence'),
    mayChange: mayChange && mayTouch,
    mayInvite: mayInvite && mayTouch,
    mayGivePassword: allowed('person.password') && mayTouch && !self,
    maySeeRecords: may(caller.permissions, 'records.person', relations),
    managed: mayChange || mayInvite ? account : null,
  }
}
