import { MOST_FOUND, DIRECTORY_ON_PAPER, DIRECTORY_PAGE, type DirectoryRow } from '@jackdaw/contracts/directory'
import type { GroupId, LocalDate, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
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

/** A page of those who work here, and how many there are. */
export async function directory(db: Db, asked: Asked): Promise<{ rows: DirectoryRow[]; total: number; more: boolean }> {
  const shows = await directorySettings(db)
  const bind: unknown[] = []
  const where = await askedSql(db, asked, bind)
  // What fits one or two letters is half of the company: nobody reads how many that are, and counting them would take longest.
  const counted = asked.find === '' ? where : `${where} limit ${MOST_FOUND + 1}`
  const n = (await db.one<{ n: number }>(`select count(*)::int as n from (select 1 from person p where ${counted}) x`, bind))?.n ?? 0
  const more = asked.find !== '' && n > MOST_FOUND
  const rows = await db.rows<Row>(
    `with page as (select p.id from person p where ${where} order by p.name, p.id limit ${asked.all ? DIRECTORY_ON_PAPER : DIRECTORY_PAGE} offset ${asked.all ? 0 : (asked.page - 1) * DIRECTORY_PAGE})
     select p.id, p.name, left(p.face_hash, 16) as face, p.job_title, s.name as site, p.mail, p.telephone, b.id as manager_id, b.name as manager,
       (select to_char(a.until_on, 'YYYY-MM-DD') from absence a where a.person_id = p.id and $${bind.length + 1}::date between a.from_on and a.until_on limit 1) as away_until,
       (select json_agg(json_build_object('id', m.group_id, 'kind', m.kind, 'name', m.name) order by m.kind, m.name) from member m where m.person_id = p.id and m.group_id <> p.site_id) as groups
     from page join person p on p.id = page.id join people_group s on s.id = p.site_id left join person b on b.id = p.manager_id order by p.name, p.id`,
    [...bind, asked.today],
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
