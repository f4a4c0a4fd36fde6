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

/** Each visit at each step of the newest edition to which it came: whether it went on to a later one or to the end, went back to an earlier one,
 * or ended here. Steps that are not there any more lead neither on nor back. */
const atStepsSql = (visits: Visits): string => `
  select s.*, v.finished > 0 as finishes, coalesce(s.after_at > s.first_at, false) or v.finished > 0 as went_on, coalesce(s.before_at > s.first_at, false) as went_back, s.is_last and v.finished = 0 as ends
  from (${visitsSql(visits)}) v join (
    select s.item_kind, s.item_id, s.person_id, s.visit, s.part_id, s.first_at, s.active_ms,
      max(s.last_at) over (there order by p.position rows between unbounded preceding and 1 preceding) as before_at,
      max(s.last_at) over (there order by p.position rows between 1 following and unbounded following) as after_at,
      row_number() over (w order by s.last_at desc, p.position desc) = 1 as is_last, p.position is not null as is_there
    from use_step s join item i on i.kind = s.item_kind and i.id = s.item_id
      left join edition_part p on p.item_kind = s.item_kind and p.item_id = s.item_id and p.part_id = s.part_id and p.edition = i.edition
    where s.item_id = $1::jsonb ->> 'item' and s.first_at is not null window w as (partition by s.person_id, s.visit), there as (partition by s.person_id, s.visit, p.position is null)) s
  on s.item_kind = v.item_kind and s.item_id = v.item_id and s.person_id = v.person_id and s.visit = v.visit where s.is_there`

type Guide = { id: GuideId; number: number; title: string; edition: number }
const guideOf = async (db: Db, id: GuideId): Promise<Guide> =>
  (await db.one<Guide>("select id, number, title, edition from item where kind = 'guide' and id = $1 and edition is not null", [id])) ??
  fail('not-found', 'This has not been published yet, so there is nothing to count.')

/** How visits went through a guide. */
export async function journeyOf(db: Db, visits: Visits, span: Span): Promise<Omit<Journey, 'everybody' | 'kept'>> {
  const params = paramsOf(visits, span)
  const guide = await guideOf(db, visits.id)
  const [all, steps, ...choices] = await Promise.all([
    db.one<{ visits: number; finished: number }>(
      `select count(*)::int as visits, count(*) filter (where v.finished > 0)::int as finished from (${visitsSql(visits)}) v`,
      params,
    ),
    db.rows<Omit<JourneyStep, 'readingMs'> & { leastMs: number }>(
      `select p.part_id as "stepId", p.position, p.name, p.section, coalesce(c.came, 0) as came, coalesce(c.on, 0) as on, coalesce(c.back, 0) as back, coalesce(c.left, 0) as left,
         c.mean_ms as "meanMs", p.least_ms as "leastMs"
       from edition_part p join item i on i.kind = p.item_kind and i.id = p.item_id and i.edition = p.edition
       left join (
         select part_id, count(*)::int as came, count(*) filter (where went_on)::int as "on", count(*) filter (where went_back)::int as back, count(*) filter (where ends)::int as "left",
           round(avg(active_ms) filter (where active_ms > 0))::float as mean_ms
         from (${atStepsSql(visits)}) a group by part_id) c on c.part_id = p.part_id
       where p.item_kind = 'guide' and p.item_id = $1::jsonb ->> 'item' order by p.position`,
      params,
    ),
    ...DIFFER_IN.map((each) =>
      db.rows<{ value: string; visits: number }>(
        `select v.${each}::text as value, count(*)::int as visits from (${visitsSql(visits, each)}) v where v.${each} is not null group by 1 order by 2 desc, 1`,
        params,
      ),
    ),
  ])
  const { visits: came, finished } = all!
  const elsewhere = came - finished - steps.reduce((sum, step) => sum + step.left, 0)
  const choiceOf = (which: DiffersIn) => choices[DIFFER_IN.indexOf(which)] ?? []
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
/** Whether a visit `v` is in a part of the journey. `$5`: the step. */
function partSql(visits: Visits, part: JourneyPart): string {
  const at = (which: string) => `(v.person_id, v.visit) in (select a.person_id, a.visit from (${atStepsSql(visits)}) a where ${which})`
  if (part === 'visits') return 'true'
  if (part === 'finished') return 'v.finished > 0'
  if (part === 'elsewhere') return `v.finished = 0 and not ${at('a.ends')}`
  return at(`a.part_id = $5 and ${AT_STEP[part]}`)
}

/** The visits that a figure of the journey counts, the latest first. */
export async function visitsOf(
  db: Db,
  visits: Visits,
  span: Span,
  { part, step, page }: { part: JourneyPart; step: StepId | undefined; page: number },
) {
  if (part in AT_STEP && !step) fail('invalid', 'Say at which step.')
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
    `select p.id, p.name, v.at, v.way, v.edition, v.device, v.browser, v.language, v.active_ms::float as active_ms, v.finished, count(*) over ()::int as total
     from (${visitsSql(visits)}) v join person p on p.id = v.person_id where $5::text is distinct from '' and ${partSql(visits, part)}
     order by v.at desc, p.id, v.visit limit ${PAGE_SIZE} offset $6`,
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
    `select distinct a.person_id from (${atStepsSql(visits)}) a join person p on p.id = a.person_id and p.active
     where a.part_id = $5 and a.ends and exists (select 1 from item_access x where x.item_kind = a.item_kind and x.item_id = a.item_id and x.person_id = a.person_id)`,
    [...paramsOf(visits, span), step],
  )
  return rows.map(({ person_id }) => person_id)
}
