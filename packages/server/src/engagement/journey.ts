import type { Journey, JourneyPart, JourneyStep, Visit } from '@jackdaw/contracts/engagement'
import type { Span } from '@jackdaw/core/engagement'
import { usualReadMs } from '@jackdaw/core/guides'
import type { GuideId, LocalDate, PersonId, StepId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'
import type { Db } from '../db'
import { fail } from '../http'
import type { Among } from '../people'
import { keptSql, ofPeopleSql, scopeParam, type Scope } from './scope'
import { PAGE_SIZE } from './usedItems'

/** Which visits of a guide are looked at; what is absent leaves none out. */
export type Visits = {
  id: GuideId
  among: Among
  way?: Way | undefined
  edition?: number | undefined
  device?: string | undefined
  browser?: string | undefined
  language?: string | undefined
  /** Since when it is kept who used what when. */
  keptSince: LocalDate | null
  /** Whose visits are not. */
  without?: PersonId
}
const DIFFER_IN = ['way', 'edition', 'device', 'browser', 'language'] as const
type DiffersIn = (typeof DIFFER_IN)[number]

const scopeOf = ({ id, among, keptSince }: Visits): Scope => ({ item: id, among, keptSince })
const paramsOf = (visits: Visits, { from, to }: Span): unknown[] => [
  scopeParam(scopeOf(visits)),
  from,
  to,
  JSON.stringify(Object.fromEntries([...DIFFER_IN, 'without' as const].map((each) => [each, visits[each]?.toString()]))),
]
/** The visits that are looked at; `but` leaves out what they differ in by one thing. */
const visitsSql = (visits: Visits, but?: DiffersIn): string =>
  [
    `select u.* from use_visit u where u.item_id = $1::jsonb ->> 'item' and u.local_day between $2::date and $3::date and $4::jsonb is not null`,
    ofPeopleSql(scopeOf(visits), 'u'),
    keptSql(scopeOf(visits), 'u'),
    ...(visits.without ? ["u.person_id <> $4::jsonb ->> 'without'"] : []),
    ...DIFFER_IN.filter((each) => each !== but && visits[each] !== undefined).map((each) => `u.${each}::text = $4::jsonb ->> '${each}'`),
  ].join(' and ')

/** The visits `v`; `paths`: what they did, with how many did the same; and the steps of the newest edition.
 * @param told what else is told of each visit */
const LOOKED = (visits: Visits, told: string): string => `
  v as materialized (select ${told} u.path, u.finished > 0 as finishes from (${visitsSql(visits)}) u),
  paths as materialized (select row_number() over () as n, c.* from (select v.path, v.finishes, count(*)::int as times from v where v.path is not null group by 1, 2) c),
  places as materialized (
    select p.part_id, p.position from edition_part p join item i on i.kind = p.item_kind and i.id = p.item_id and i.edition = p.edition
    where p.item_kind = 'guide' and p.item_id = $1::jsonb ->> 'item')`
/** What visits of a path did at each step of the newest edition to which they came: whether they went on to a later one or to the end, went back to an earlier
 * one, or ended there. Steps that are not there any more lead neither on nor back. */
const AT_STEPS = `
  select s.*, coalesce(s.after > s.first, false) or s.finishes as went_on, coalesce(s.before > s.first, false) as went_back,
    not s.finishes and s.last = s.at_end and coalesce(s.after < s.last, true) and coalesce(s.gone < s.last, true) as ends
  from (
    select s.*, max(s.last) over (in_order rows between unbounded preceding and 1 preceding) as before,
      max(s.last) filter (where s.position is not null) over (in_order rows between 1 following and unbounded following) as after,
      max(s.last) over (of_path) as at_end, max(s.last) filter (where s.position is null) over (of_path) as gone
    from (
      select w.n, w.path, w.finishes, w.times, s.part_id, p.position, s.first, s.last
      from paths w join use_path u on u.item_kind = 'guide' and u.item_id = $1::jsonb ->> 'item' and u.path = w.path
        cross join lateral unnest(u.parts, u.firsts, u.lasts) as s (part_id, first, last) left join places p on p.part_id = s.part_id) s
    window of_path as (partition by s.n), in_order as (partition by s.n order by s.position)) s
  where s.position is not null`
const ofPlaces = (many: number, sql: (place: number) => string): string => Array.from({ length: many }, (_, n) => sql(n + 1)).join(', ')
/** How long those visits that spent time at a step did on average. Added up by path first, place by place: taken apart, there would be a row for each step of each visit.
 * @param most steps of the longest path, at least 1 */
const MEANS = (most: number): string => `
  select u.parts[t.place] as part_id, round(sum(t.ms) / sum(t.times))::float as mean_ms
  from (
    select a.path, n as place, a.ms[n] as ms, a.times[n] as times
    from (
      select v.path, array[${ofPlaces(most, (place) => `sum(v.step_ms[${place}])`)}] as ms, array[${ofPlaces(most, (place) => `count(*) filter (where v.step_ms[${place}] > 0)`)}] as times
      from v where v.path is not null group by 1) a cross join generate_series(1, ${most}) n where a.times[n] > 0) t
  join use_path u on u.item_kind = 'guide' and u.item_id = $1::jsonb ->> 'item' and u.path = t.path group by 1`

type Guide = { id: GuideId; number: number; title: string; edition: number }
const longestPath = async (db: Db, id: GuideId): Promise<number> =>
  (
    await db.one<{ most: number | null }>(
      "select max(cardinality(parts)) as most from use_path where item_kind = 'guide' and item_id = $1",
      [id],
    )
  )?.most ?? 1
const guideOf = async (db: Db, id: GuideId): Promise<Guide> =>
  (await db.one<Guide>("select id, number, title, edition from item where kind = 'guide' and id = $1 and edition is not null", [id])) ??
  fail('not-found', 'This has not been published yet, so there is nothing to count.')

type Counted = { which: DiffersIn | null; value: string | null; visits: number; finished: number }
/** How many visits there are, and how many of each value of what they are not told apart by. */
const COUNTS = (visits: Visits, free: readonly DiffersIn[]): string => `
  select case ${['when false then null::text', ...free.map((each) => `when grouping(v.${each}) = 0 then '${each}'`)].join(' ')} end as which,
    coalesce(${['null::text', ...free.map((each) => `v.${each}`)].join(', ')}) as value, count(*)::int as visits, (count(*) filter (where v.finished > 0))::int as finished
  from (select ${['u.finished', ...free.map((each) => `u.${each}::text as ${each}`)].join(', ')} from (${visitsSql(visits)}) u) v
  group by grouping sets (${['()', ...free.map((each) => `(v.${each})`)].join(', ')})`
/** The same of one thing by which they are told apart: of all of its values. */
const COUNTS_BUT = (visits: Visits, but: DiffersIn): string =>
  `select '${but}' as which, v.${but}::text as value, count(*)::int as visits, 0 as finished from (${visitsSql(visits, but)}) v group by v.${but}`
const byVisits = (a: { value: string; visits: number }, b: { value: string; visits: number }): number =>
  b.visits - a.visits || (a.value < b.value ? -1 : 1)

/** How visits went through a guide. */
export async function journeyOf(db: Db, visits: Visits, span: Span): Promise<Omit<Journey, 'everybody' | 'kept'>> {
  const params = paramsOf(visits, span)
  const guide = await guideOf(db, visits.id)
  const most = await longestPath(db, visits.id)
  const told = DIFFER_IN.filter((each) => visits[each] !== undefined)
  const free = DIFFER_IN.filter((each) => visits[each] === undefined)
  const [steps, ...counted] = await Promise.all([
    db.rows<Omit<JourneyStep, 'readingMs'> & { leastMs: number }>(
      `with ${LOOKED(visits, 'u.step_ms,')}
       select p.part_id as "stepId", p.position, p.name, p.section, coalesce(c.came, 0) as came, coalesce(c.on, 0) as on, coalesce(c.back, 0) as back, coalesce(c.left, 0) as left,
         m.mean_ms as "meanMs", p.least_ms as "leastMs"
       from edition_part p join item i on i.kind = p.item_kind and i.id = p.item_id and i.edition = p.edition
       left join (
         select position, sum(times)::int as came, (sum(times) filter (where went_on))::int as "on", (sum(times) filter (where went_back))::int as back, (sum(times) filter (where ends))::int as "left"
         from (${AT_STEPS}) a group by position) c on c.position = p.position
       left join (${MEANS(most)}) m on m.part_id = p.part_id
       where p.item_kind = 'guide' and p.item_id = $1::jsonb ->> 'item' order by p.position`,
      params,
    ),
    ...[COUNTS(visits, free), ...told.map((each) => COUNTS_BUT(visits, each))].map((sql) => db.rows<Counted>(sql, params)),
  ])
  const counts = counted.flat()
  const { visits: came, finished } = counts.find(({ which }) => which === null) ?? { visits: 0, finished: 0 }
  const elsewhere = came - finished - steps.reduce((sum, step) => sum + step.left, 0)
  const choiceOf = (of: DiffersIn) =>
    counts.flatMap(({ which, value, visits: times }) => (which === of && value !== null ? [{ value, visits: times }] : [])).sort(byVisits)
  return {
    guide,
    span,
    visits: came,
    finished,
    elsewhere,
    steps: steps.map(({ leastMs, ...step }) => ({ ...step, readingMs: usualReadMs(leastMs) })),
    choices: {
      way: choiceOf('way'),
      edition: choiceOf('edition'),
      device: choiceOf('device'),
      browser: choiceOf('browser'),
      language: choiceOf('language'),
    },
  }
}

const AT_STEP: Record<'came' | 'on' | 'back' | 'left', string> = { came: 'true', on: 'a.went_on', back: 'a.went_back', left: 'a.ends' }
const isAtStep = (part: JourneyPart): part is keyof typeof AT_STEP => part in AT_STEP
/** Whether a visit `v` did what the paths of a statement did. As a value rather than a condition: these are then looked up, however many they are. */
const didSql = (paths: string): string =>
  `case when (v.path, v.finishes) in (select a.path, a.finishes from (${AT_STEPS}) a where ${paths}) then true else false end`
/** Whether a visit `v` is in a part of the journey. `$5`: the step. */
function partSql(part: JourneyPart): string {
  if (isAtStep(part)) return didSql(`a.part_id = $5 and ${AT_STEP[part]}`)
  if (part === 'elsewhere') return `not v.finishes and not ${didSql('a.ends')}`
  return part === 'finished' ? 'v.finishes' : 'true'
}

const OF_VISIT = 'u.person_id, u.visit, u.at, u.way, u.edition, u.device, u.browser, u.language, u.active_ms, u.finished,'
/** The visits that a figure of the journey counts, the latest first. */
export async function visitsOf(
  db: Db,
  visits: Visits,
  span: Span,
  { part, step, page }: { part: JourneyPart; step: StepId | undefined; page: number },
) {
  if (isAtStep(part) && !step) fail('invalid', 'Say at which step.')
  const guide = await guideOf(db, visits.id)
  type Row = Omit<Visit, 'person' | 'at' | 'activeMs' | 'finished'> & {
    id: PersonId
    name: string
    at: Date
    active_ms: number
    finished: number
    total: number
  }
  const rows = await db.rows<Row>(
    `with ${LOOKED(visits, OF_VISIT)}
     select p.id, p.name, l.at, l.way, l.edition, l.device, l.browser, l.language, l.active_ms::float as active_ms, l.finished, l.total from (
       select v.*, count(*) over ()::int as total from v where $5::text is distinct from '' and ${partSql(part)} order by v.at desc, v.person_id, v.visit limit ${PAGE_SIZE} offset $6) l
     join person p on p.id = l.person_id order by l.at desc, l.person_id, l.visit`,
    [...paramsOf(visits, span), step ?? null, (page - 1) * PAGE_SIZE],
  )
  const named = step
    ? ((await db.one<{ name: string }>(
        "select name from edition_part where item_kind = 'guide' and item_id = $1 and part_id = $2 order by edition desc limit 1",
        [visits.id, step],
      )) ?? fail('not-found', 'There is no such step in this guide.'))
    : null
  return {
    guide,
    step: named?.name ?? null,
    span,
    total: rows[0]?.total ?? 0,
    rows: rows.map(({ id, name, at, active_ms, finished, total: _total, ...row }): Visit => ({
      ...row,
      person: { id, name },
      at: at.getTime(),
      activeMs: active_ms,
      finished: finished > 0,
    })),
  }
}

/** Who left at a step in visits of these days, and may still read the guide. */
export async function whoLeft(db: Db, visits: Visits, span: Span, step: StepId): Promise<PersonId[]> {
  const rows = await db.rows<{ person_id: PersonId }>(
    `with ${LOOKED(visits, 'u.person_id,')}, gone as materialized (select distinct v.person_id from v where ${didSql('a.part_id = $5 and a.ends')})
     select g.person_id from gone g join person p on p.id = g.person_id and p.active
     where exists (select 1 from item_access x where x.item_kind = 'guide' and x.item_id = $1::jsonb ->> 'item' and x.person_id = g.person_id)`,
    [...paramsOf(visits, span), step],
  )
  return rows.map(({ person_id }) => person_id)
}
