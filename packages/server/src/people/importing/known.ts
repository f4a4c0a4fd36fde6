import type { KnownCompany, KnownPerson, Wanted } from '@jackdaw/core/people'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { statesOf } from '../changing/states'
import { GROUP } from '../model'

type AboveRow = { id: PersonId; name: string; mail: string | null; number: string | null; manager_id: PersonId | null; active: boolean }

/** What one has to know of the company to plan what a file does. */
export async function knownCompany(db: Db, { numbers, mails, names }: Wanted): Promise<KnownCompany> {
  const ids = await db.rows<{ id: PersonId }>('select id from person where lower(number) = any ($1) or lower(mail) = any ($2)', [
    numbers,
    mails,
  ])
  const people = await statesOf(
    db,
    ids.map(({ id }) => id),
  )
  const others = await db.rows<AboveRow>(
    `with recursive called as (select distinct plain(x) as name from unnest($2::text[]) x),
       above as (select p.id, p.manager_id from person p where p.id = any ($1) or p.active and plain(p.name) in (select name from called)
         union select p.id, p.manager_id from person p join above a on p.id = a.manager_id)
     select p.id, p.name, p.mail, p.number, p.manager_id, p.active from above a join person p on p.id = a.id`,
    [[...people.keys()], names],
  )
  const groups = await db.in(GROUP).find({ closedAt: null })
  const admins = await db.rows<{ id: PersonId }>("select id from person where active and level = 'admin'")
  return {
    people: [...people.values()],
    others: others.flatMap(({ manager_id, ...row }): KnownPerson[] => (people.has(row.id) ? [] : [{ ...row, managerId: manager_id }])),
    groups: groups.map(({ id, kindId, name }) => ({ id, kind: kindId, name })),
    admins: admins.map(({ id }) => id),
  }
}
