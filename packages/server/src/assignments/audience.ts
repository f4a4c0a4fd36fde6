import type { AudienceRule } from '@jackdaw/core/audiences'
import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { columnsOf, doneSql } from '../items'

/** Somebody whom a rule takes in, with the reasons as `kind` and `ref` pairs, and the names of what gave them. */
export type Member = { id: PersonId; name: string; site: string; zone: string; kinds: string[]; refs: string[]; why: string[] }

/** The people of an audience, by name. One reason for each team, role or naming that holds. */
export const membersOf = (db: Db, rule: AudienceRule): Promise<Member[]> =>
  db.rows<Member>(
    `with reason (person_id, kind, ref, why) as (
       select m.person_id, 'team', t.id, t.name from person_team m join team t on t.id = m.team_id where t.id = any ($1)
       union all select m.person_id, 'role', r.id, r.name from person_role m join role r on r.id = m.role_id where r.id = any ($2)
       union all select p.id, 'person', p.id, '' from person p where p.id = any ($3))
     select p.id, p.name, s.name as site, s.zone, array_agg(x.kind order by x.kind, x.why) as kinds, array_agg(x.ref order by x.kind, x.why) as refs, array_agg(x.why order by x.kind, x.why) as why
     from reason x join person p on p.id = x.person_id and p.active join site s on s.id = p.site_id
     group by p.id, s.id order by p.name, p.id`,
    [rule.teams, rule.roles, rule.people],
  )

export type Standing = { person_id: PersonId; name: string; assigned: boolean; done: boolean }
/** Those who have the item already, and whether they are done with what counts now. */
export const standings = (db: Db, { kind, id }: ItemRef): Promise<Standing[]> =>
  db.rows<Standing>(
    `select p.id as person_id, p.name, true as assigned, ${doneSql(columnsOf('null', 'null'))} as done
     from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id join person p on p.id = a.person_id
     left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
     where a.item_kind = $1 and a.item_id = $2 order by p.name, p.id`,
    [kind, id],
  )
