import type { Acknowledged, CautionRecord } from '@jackdaw/contracts/records'
import type { CautionLevel } from '@jackdaw/core/guides'
import type { GuideId, PersonId, StepId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { amongParam, amongSql, departmentsSql, type Among } from '../../people'

export type CautionFilter = Among & { find?: string | undefined; step?: StepId | undefined; missing: boolean }

const STEPS = `select i.id as guide_id, x.part_id as step_id, x.position, x.name, x.caution, i.required_edition from item i
  join edition_part x on x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition and x.caution is not null where i.kind = 'guide' and i.id = $1`
/** Everybody who is to do the guide or has used it. */
const PEOPLE = `select distinct k.person_id from (
    select person_id from assignment where item_kind = 'guide' and item_id = $1 and use = 'to-do'
    union select person_id from item_progress where item_kind = 'guide' and item_id = $1) k where ${amongSql('k.person_id', '$2')}`
const HAS = `exists (select 1 from acknowledgement a where a.guide_id = s.guide_id and a.person_id = w.person_id and a.step_id = s.step_id and a.edition >= s.required_edition)`
const EACH = `coalesce((select json_agg(json_build_object('way', a.way, 'edition', a.edition, 'firstAt', (extract(epoch from a.first_at) * 1000)::bigint,
    'lastAt', (extract(epoch from a.last_at) * 1000)::bigint, 'times', a.times, 'attested', a.attested) order by a.first_at)
  from acknowledgement a where a.guide_id = s.guide_id and a.person_id = w.person_id and a.step_id = s.step_id), '[]')`

type StepRow = { stepId: StepId; position: number; step: string; level: CautionLevel; people: number; acknowledged: number }
/** The steps of the newest edition with cautions to be acknowledged: of how many people how many have. */
export const cautionSteps = (db: Db, guideId: GuideId, among: Among): Promise<StepRow[]> =>
  db.rows<StepRow>(
    `select s.step_id as "stepId", s.position, s.name as step, s.caution as level, count(w.person_id)::int as people, count(w.person_id) filter (where ${HAS})::int as acknowledged
     from (${STEPS}) s left join (${PEOPLE}) w on true group by s.step_id, s.position, s.name, s.caution order by s.position`,
    [guideId, amongParam(among)],
  )

export type CautionRow = CautionRecord & { zone: string }
/** A line for each person and such a step, a page of them. */
export async function cautionRecords(
  db: Db,
  guideId: GuideId,
  { find, step, missing, ...among }: CautionFilter,
  page: number,
  pageSize: number,
): Promise<{ rows: CautionRow[]; total: number }> {
  const rows = await db.rows<Omit<CautionRow, 'acknowledged'> & { acknowledged: Acknowledged[]; total: number }>(
    `select w.person_id as "personId", p.name, site.name as site, ${departmentsSql('p.id')} as department, site.zone, s.step_id as "stepId", s.position, s.name as step, s.caution as level,
       ${EACH} as acknowledged, count(*) over ()::int as total
     from (${PEOPLE}) w join person p on p.id = w.person_id join people_group site on site.id = p.site_id cross join (${STEPS}) s
     where ($3 = '' or position(plain($3) in plain(p.name)) > 0) and ($4::text is null or s.step_id = $4) and (not $5 or not ${HAS})
     order by p.name, w.person_id, s.position limit $6 offset $7`,
    [guideId, amongParam(among), find?.trim() ?? '', step ?? null, missing, pageSize, (page - 1) * pageSize],
  )
  return { total: rows[0]?.total ?? 0, rows: rows.map(({ total: _, ...row }) => row) }
}

/** What one person has acknowledged in a guide, by step of its newest edition. */
export const cautionsOfPerson = (
  db: Db,
  guideId: GuideId,
  personId: PersonId,
): Promise<Pick<CautionRecord, 'stepId' | 'position' | 'step' | 'level' | 'acknowledged'>[]> =>
  db.rows(
    `select s.step_id as "stepId", s.position, s.name as step, s.caution as level, ${EACH} as acknowledged
     from (${STEPS}) s cross join (select $2::text as person_id) w order by s.position`,
    [guideId, personId],
  )
