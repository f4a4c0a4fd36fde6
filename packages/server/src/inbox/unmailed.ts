import { ENTRIES, TO_DO_ENTRIES, type AboutRef, type EntryKind } from '@jackdaw/core/inbox'
import { keysOf, type EntryId, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { columnsOf, doneSql, waitingSql } from '../items'
import type { MailRules } from '@jackdaw/core/inbox'

/** What came in before that is not mailed any more. */
const TOO_OLD_MS = 7 * 86_400_000

const COLUMNS = columnsOf('null', 'null')
/** Entries that are to be mailed and were not: nobody has seen them, the person wants them, and what they ask for is neither done nor handed in. As SQL over rows `e` of
 * `inbox_entry`: $1 kinds that are mailed unless somebody says otherwise, $2 kinds that are in any case, $3 kinds that ask for an item to be done, $4 the oldest. */
const UNMAILED = `
  from inbox_entry e left join mail_choice c on c.person_id = e.person_id and c.kind = e.kind
  where e.read_at is null and e.mailed_at is null and e.at > $4 and (e.kind = any ($2) or coalesce(c.mail, e.kind = any ($1)))
    and not (e.kind = any ($3) and exists (
      select 1 from item i join item_progress r on r.item_kind = i.kind and r.item_id = i.id and r.person_id = e.person_id
      left join assignment a on a.item_kind = i.kind and a.item_id = i.id and a.person_id = e.person_id
      where i.kind = e.about_kind and i.id = e.about_id and (${doneSql(COLUMNS)} or ${waitingSql(COLUMNS)})))`
const bindOf = ({ least }: MailRules, now: number): unknown[] => [
  keysOf(ENTRIES).filter((kind) => ENTRIES[kind].mail),
  least,
  TO_DO_ENTRIES,
  new Date(now - TOO_OLD_MS),
]

/** An entry that is to be mailed. */
export type Unmailed = { id: EntryId; kind: EntryKind; about_kind: AboutRef['kind']; about_id: AboutRef['id']; data: unknown }
/** What somebody is to be mailed, the oldest first. */
export const unmailedFor = (db: Db, personId: PersonId, rules: MailRules, now: number): Promise<Unmailed[]> =>
  db.rows<Unmailed>(`select e.id, e.kind, e.about_kind, e.about_id, e.data ${UNMAILED} and e.person_id = $5 order by e.at, e.id`, [
    ...bindOf(rules, now),
    personId,
  ])

/** Who is to be mailed something and has not had a mail today, with where they work. Nobody is who is away.
 * @param before only what came in by then */
export const peopleToMail = (db: Db, rules: MailRules, before: number, now: number): Promise<{ id: PersonId; zone: string }[]> =>
  db.rows<{ id: PersonId; zone: string }>(
    `select p.id, s.zone from (select distinct e.person_id ${UNMAILED} and e.at <= $5) w join person p on p.id = w.person_id and p.active and p.mail is not null
     join people_group s on s.id = p.site_id where ${mayBeMailed('$6')} order by p.id`,
    [...bindOf(rules, now), new Date(before), new Date(now)],
  )

/** Whether a person `p` of a site `s` may get their mail of the day: they have had none today and are not away. @param now a parameter */
export const mayBeMailed = (now: string): string => {
  const today = `(${now}::timestamptz at time zone s.zone)::date`
  return `not exists (select 1 from day_mail d where d.person_id = p.id and d.day = ${today})
    and not exists (select 1 from absence x where x.person_id = p.id and ${today} between x.from_on and x.until_on)`
}
