import { MOST_FOUND, DIRECTORY_ON_PAPER, DIRECTORY_PAGE, type DirectoryRow } from '@jackdaw/contracts/directory'
import type { GroupId, LocalDate, PersonId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../../db'
import { directorySettings } from './settings'

type Asked = { find: string; group: GroupId | undefined; page: number; all: boolean; today: LocalDate }

/** What is asked of a person `p`, as SQL: every word somewhere in what they are found by, and the group. The words are made plain first:
 * a pattern that is known when the query is planned is looked up, one that is reckoned for each person is not. */
async function askedSql(db: Db, { find, group }: Asked, bind: unknown[]): Promise<string> {
  const words = find.split(/\s+/).filter(Boolean).slice(0, 10)
  const plain = words.length > 0 ? await db.rows<{ word: string }>('select plain(x) as word from unnest($1::text[]) x', [words]) : []
  const fits = plain.map(({ word }) => `p.sought like $${bind.push(`%${word.replace(/[\\%_]/g, '\\$&')}%`)}`)
  if (group)
    fits.push(`exists (select 1 from membership m where m.person_id = p.id and m.group_id = $${bind.push(group)} and m.until is null)`)
  return ['p.active', ...fits].join(' and ')
}

type Row = {
  id: PersonId
  name: string
  face: string | null
  job_title: string
  site: string
  mail: string | null
  telephone: string
  manager_id: PersonId | null
  manager: string | null
  groups: DirectoryRow['groups'] | null
  away_until: LocalDate | null
}

/** People of the company who are looked through in the order of their names before all who fit are sought and put in order. */
const LOOKED_THROUGH = 2_000

/** Those who fit, from one place in the order of their names up to another, and how many fit, at most `most`. What fits almost everybody is
 * found by looking through the names in order; what fits few, or those at the end of the alphabet, by seeking all who fit first. */
async function found(
  db: Db,
  where: string,
  bind: unknown[],
  { from, until, most }: { from: number; until: number; most: number },
): Promise<{ ids: PersonId[]; n: number }> {
  const some = await db.rows<{ id: PersonId }>(
    `select p.id from (select * from person where active order by name, id limit ${LOOKED_THROUGH}) p where ${where} order by p.name, p.id limit ${until}`,
    bind,
  )
  if (some.length === until) {
    const fitting = `select 1 from person p where ${where} limit ${most}`
    const counted = await db.one<{ n: number }>(`select count(*)::int as n from (${fitting}) x`, bind)
    return { ids: some.slice(from).map(({ id }) => id), n: counted?.n ?? 0 }
  }
  const all = await db.one<{ n: number; ids: PersonId[] }>(
    `with fits as materialized (select p.id, p.name from person p where ${where})
     select least(${most}, (select count(*) from fits))::int as n,
       array(select id from fits order by name, id limit ${until - from} offset ${from}) as ids`,
    bind,
  )
  return all ?? { ids: [], n: 0 }
}

/** A page of those who work here, and how many there are. */
export async function directory(db: Db, asked: Asked): Promise<{ rows: DirectoryRow[]; total: number; more: boolean }> {
  const shows = await directorySettings(db)
  const bind: unknown[] = []
  const where = await askedSql(db, asked, bind)
  // What fits one or two letters is half of the company: nobody reads how many that are, and counting them would take longest.
  const most = asked.find === '' ? 1_000_000 : MOST_FOUND + 1
  const from = asked.all ? 0 : (asked.page - 1) * DIRECTORY_PAGE
  const until = asked.all ? DIRECTORY_ON_PAPER : from + DIRECTORY_PAGE
  const { ids, n } = await found(db, where, bind, { from, until, most })
  const more = n > MOST_FOUND && asked.find !== ''
  const rows = await db.rows<Row>(
    keepPlan(
      'people of a page',
      `with groups as (
       select m.person_id, json_agg(json_build_object('id', g.id, 'kind', g.kind_id, 'name', g.name) order by g.kind_id, g.name) as list
       from membership m join people_group g on g.id = m.group_id join person p on p.id = m.person_id
       where m.person_id = any ($1) and m.until is null and m.group_id <> p.site_id group by m.person_id)
     select p.id, p.name, left(p.face_hash, 16) as face, p.job_title, s.name as site, p.mail, p.telephone, b.id as manager_id, b.name as manager,
       (select to_char(a.until_on, 'YYYY-MM-DD') from absence a where a.person_id = p.id and $2::date between a.from_on and a.until_on limit 1) as away_until,
       g.list as groups
     from person p join people_group s on s.id = p.site_id left join person b on b.id = p.manager_id left join groups g on g.person_id = p.id
     where p.id = any ($1) order by p.name, p.id`,
    ),
    [ids, asked.today],
  )
  return {
    total: more ? MOST_FOUND : n,
    more,
    rows: rows.map((row) => ({
      ...{ id: row.id, name: row.name, face: row.face, jobTitle: row.job_title, site: row.site, groups: row.groups ?? [] },
      manager: row.manager_id === null ? null : { id: row.manager_id, name: row.manager ?? '' },
      mail: shows.mail ? row.mail : null,
      awayUntil: row.away_until,
      telephone: shows.telephone && row.telephone !== '' ? row.telephone : null,
    })),
  }
}
