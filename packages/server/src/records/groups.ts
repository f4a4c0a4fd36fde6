import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { listRecordGroups } from '@jackdaw/contracts/records'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { amongParam, amongSql, type Among } from '../people'
import type { AboutPerson } from '@jackdaw/contracts/recordColumns'

/** The departments, sites and teams of active people whose records somebody may see. */
export async function groupsAmong(db: Db, among: Among): Promise<ResponseOf<typeof listRecordGroups>> {
  const people = `select p.* from person p where p.active and ${amongSql('p.id', '$1')}`
  const of = (sql: string) => db.rows<{ id: never; name: string }>(sql, [amongParam(among)])
  const [departments, sites, teams] = await Promise.all([
    of(`select distinct g.id, g.name from department g join (${people}) p on p.department_id = g.id order by g.name`),
    of(`select distinct g.id, g.name from site g join (${people}) p on p.site_id = g.id order by g.name`),
    of(
      `select distinct g.id, g.name from team g join person_team m on m.team_id = g.id join (${people}) p on p.id = m.person_id order by g.name`,
    ),
  ])
  return { departments, sites, teams }
}

/** A person with their groups. */
export const aboutPerson = (db: Db, id: PersonId): Promise<(AboutPerson & { id: PersonId }) | undefined> =>
  db.one(
    `select p.id, p.name, s.name as site, s.zone, d.name as department,
       array(select t.name from person_team m join team t on t.id = m.team_id where m.person_id = p.id order by t.name) as teams,
       array(select t.name from person_role m join role t on t.id = m.role_id where m.person_id = p.id order by t.name) as roles
     from person p join site s on s.id = p.site_id join department d on d.id = p.department_id where p.id = $1`,
    [id],
  )
