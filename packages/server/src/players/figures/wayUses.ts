import type { StepWay, WayStep, WaysUsed } from '@jackdaw/contracts/records'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { amongParam, amongSql, type Among } from '../../people'

const ms = (column: string): string => `(extract(epoch from ${column}) * 1000)::bigint`
/** How a person has used a guide besides reading it, as SQL: `null` or an object for {@link waysOf}. @param guideId, personId columns */
export const waysSql = (guideId: string, personId: string): string =>
  `(select json_object_agg(u.way, json_build_object('begun', u.begun, 'finished', u.finished, 'tries', u.tries, 'helped', u.helped, 'lastAt', ${ms('u.last_at')},
    'bestPercent', u.best_percent, 'passedEdition', u.passed_edition, 'passedAt', ${ms('u.passed_at')})) from way_use u where u.guide_id = ${guideId} and u.person_id = ${personId})`
/** A column of {@link waysSql}. */
export const waysOf = (used: Partial<WaysUsed> | null): WaysUsed => ({ watch: null, practise: null, solo: null, ...used })

/** What came of Solo for a person, as SQL. @param guideId, personId, requiredEdition columns or parameters */
export const soloStateSql = (guideId: string, personId: string, requiredEdition: string): string =>
  `coalesce((select case when u.passed_edition >= ${requiredEdition} then 'passed' else 'not-passed' end
    from way_use u where u.guide_id = ${guideId} and u.person_id = ${personId} and u.way = 'solo'), 'not-taken')`

/** How many people of a guide have passed Solo in an edition that counts, and how many have tried it at all: a query of one row with `passed` and
 * `tried`. @param guideId a parameter; @param among a condition on a column `person_id` of a row `u` */
export const soloCountsSql = (guideId: string, among: string): string =>
  `select count(*) filter (where u.passed_edition >= i.required_edition)::int as passed, count(*)::int as tried
   from way_use u join item i on i.kind = 'guide' and i.id = u.guide_id where u.guide_id = ${guideId} and u.way = 'solo' and ${among}`

const STEP_FIGURES = `coalesce(sum(w.times), 0)::int as times, coalesce(sum(w.right_first), 0)::int as "rightFirst",
  coalesce(sum(w.tries), 0)::int as tries, coalesce(sum(w.helped), 0)::int as helped, coalesce(sum(w.failed), 0)::int as failed`

/** How the steps of an edition went in a way, over all people, or those who report to somebody. */
export async function wayStepsOf(
  db: Db,
  guideId: GuideId,
  edition: number,
  way: StepWay,
  among: Among,
): Promise<{ people: number; steps: WayStep[] }> {
  const people = await db.one<{ people: number }>(
    `select count(*)::int as people from way_use where guide_id = $1 and way = $2 and ${amongSql('person_id', '$3')}`,
    [guideId, way, amongParam(among)],
  )
  const steps = await db.rows<WayStep>(
    `select x.part_id as "stepId", x.position, x.section, x.name, count(w.person_id)::int as people, ${STEP_FIGURES}
     from edition_part x left join way_step w on w.guide_id = x.item_id and w.step_id = x.part_id and w.way = $3
       and ${amongSql('w.person_id', '$4')}
     where x.item_kind = 'guide' and x.item_id = $1 and x.edition = $2 group by x.part_id, x.position, x.section, x.name order by x.position`,
    [guideId, edition, way, amongParam(among)],
  )
  return { people: people!.people, steps }
}

/** How the steps of the newest edition went for one person. */
export const stepsOfPerson = (db: Db, guideId: GuideId, personId: PersonId): Promise<(Omit<WayStep, 'people'> & { way: StepWay })[]> =>
  db.rows(
    `select x.part_id as "stepId", x.position, x.section, x.name, w.way, w.times, w.right_first as "rightFirst", w.tries, w.helped, w.failed
     from way_step w join item i on i.kind = 'guide' and i.id = w.guide_id
     join edition_part x on x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition and x.part_id = w.step_id
     where w.guide_id = $1 and w.person_id = $2 order by x.position, w.way`,
    [guideId, personId],
  )
