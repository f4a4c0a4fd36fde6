import type { StepSort, TimedStep } from '@jackdaw/contracts/engagement'
import type { Span } from '@jackdaw/core/engagement'
import { READING_MS, usualReadMs } from '@jackdaw/core/guides'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { keptSql, ofItemsSql, ofPeopleSql, scopeParam, type Scope } from './scope'
import { PAGE_SIZE } from './usedItems'

/** With fewer visits a step is not listed: one that was left open over lunch would lead the list. */
const LEAST_VISITS = 5

const { step, leastWord, usualWord } = READING_MS
/** As {@link usualReadMs}. */
const USUAL_MS = `(${step} + greatest(0, p.least_ms - ${step}) / ${leastWord}.0 * ${usualWord})`
const ORDER: Record<StepSort, string> = {
  ratio: `t.mean_ms / ${USUAL_MS}`,
  mean: 't.mean_ms',
  came: 't.came',
  title: 'plain(i.title)',
}

/** How long steps of the editions that hold take, beside how long their words do. Visits of the same path are added up before its steps are gone through. */
export async function timedSteps(
  db: Db,
  scope: Scope,
  { from, to }: Span,
  { sort, down, page }: { sort: StepSort; down: boolean; page: number },
): Promise<{ rows: TimedStep[]; total: number }> {
  type Row = Omit<TimedStep, 'guide' | 'meanMs' | 'readingMs'> & {
    id: GuideId
    number: number
    title: string
    stepId: StepId
    mean_ms: number
    least_ms: number
    total: number
  }
  const rows = await db.rows<Row>(
    `with v as (
       select u.item_id, u.path, u.step_ms from use_visit u where u.item_kind = 'guide' and u.path is not null and u.local_day between $2::date and $3::date
         and ${keptSql(scope, 'u')} and ${ofItemsSql(scope, 'u')} and ${ofPeopleSql(scope, 'u')}),
     took as (
       select v.item_id, v.path, m.nth::int as nth, count(*)::int as came, count(*) filter (where m.ms > 0)::int as times, sum(m.ms)::float as ms
       from v cross join lateral unnest(v.step_ms) with ordinality as m (ms, nth) group by 1, 2, 3),
     timed as (
       select s.item_id, s.part_id, sum(s.came)::int as came, round(sum(s.ms) / sum(s.times)) as mean_ms
       from (select k.*, u.parts[k.nth] as part_id from took k join use_path u on u.item_kind = 'guide' and u.item_id = k.item_id and u.path = k.path) s
       group by 1, 2 having sum(s.times) >= ${LEAST_VISITS})
     select i.id, i.number, i.title, p.part_id as "stepId", p.position, p.name, t.came, t.mean_ms, p.least_ms, count(*) over ()::int as total
     from timed t join item i on i.kind = 'guide' and i.id = t.item_id and i.edition is not null and i.archived_at is null
       join edition_part p on p.item_kind = 'guide' and p.item_id = i.id and p.edition = i.edition and p.part_id = t.part_id
     order by ${ORDER[sort]} ${down ? 'desc' : 'asc'}, i.number, p.position limit ${PAGE_SIZE} offset $4`,
    [scopeParam(scope), from, to, (page - 1) * PAGE_SIZE],
  )
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map(({ id, number, title, mean_ms, least_ms, total: _total, ...row }) => ({
      ...row,
      guide: { id, number, title },
      meanMs: mean_ms,
      readingMs: usualReadMs(least_ms),
    })),
  }
}
