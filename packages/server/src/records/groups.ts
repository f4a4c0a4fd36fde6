import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { listRecordGroups } from '@jackdaw/contracts/records'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { amongParam, amongSql, departmentsSql, type Among } from '../people'
import type { AboutPerson } from '@jackdaw/contracts/recordColumns'

/** The departments, sites and teams of active people whose records somebody may see. */
export async function groupsAmong(db: Db, among: Among): Promise<ResponseOf<typeof listRecordGroups>> {
  const people = `select p.* from person p where p.active and ${amongSql('p.id', '$1')}`
  const of = (kind: 'department' | 'site' | 'team') =>
    db.rows<{ id: never; name: string }>(
      `select distinct m.group_id as id, m.name from member m join (${people}) p on p.id = m.person_id where m.kind = $2 order by m.name`,
      [amongParam(among), kind],
    )
  const [departments, sites, teams] = await Promise.all([of('department'), of('site'), of('team')])
  return { departments, sites, teams }
}

/** A person with their groups. */
export const aboutPerson = (db: Db, id: PersonId): Promise<(AboutPerson & { id: PersonId }) | undefined> =>
  db.one(
    `select p.id, p.name, s.name as site, s.zone, ${departmentsSql('p.id')} as department,
       array(select m.name from member m where m.person_id = p.id and m.kind = 'team' order by m.name) as teams,
       array(select m.name from member m where m.person_id = p.id and m.kind = 'role' order by m.name) as roles
     from person p join people_group s on s.id = p.site_id where p.id = $1`,
    [id],
  )
