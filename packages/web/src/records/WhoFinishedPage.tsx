import {
  buttonClass,
  ButtonLink,
  dayOf,
  FindForm,
  idIn,
  lengthOf,
  Loaded,
  momentOf,
  Pager,
  percentOf,
  type RulerMark,
  type Sort,
  SortHead,
  StateMark,
  StepRuler,
  TitleLine,
  useSearchState,
  whenOf,
} from '../ui'
import { type GuideId, nth, type StepId } from '@jackdaw/core/shared'
import { useIds } from '../ui/useIds'
import { SCREEN_COLUMNS, type ScreenColumn } from '@jackdaw/contracts/recordColumns'
import type { ReactNode } from 'react'
import { getWhoFinishedCsv, SoloState, WhoSort, type Counts, type DropOffStep, type PersonRecord } from '@jackdaw/contracts/records'
import { ItemState } from '@jackdaw/core/items'
import { biggestLoss, dropOff } from '@jackdaw/core/records'
import { waysWhere } from '@jackdaw/core/ways'
import { Download } from 'lucide-react'
import { useTexts } from '../ui/texts'
import { Link } from 'react-router'
import { addressOf } from '../api'
import { amongIn, GroupFilters } from './GroupFilters'
import { useDropOff, useWhoFinished } from './queries'
import { OverTime } from './OverTime'
import { WayStepsRuler } from './WayStepsRuler'
import { Claimed, ClaimedLine } from './Claimed'
import { wayName } from '../players/wayName'
import { WaysUsedWords } from './WaysUsedWords'

export function WhoFinishedPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: GuideId }>()
  const { search, page, set, clear } = useSearchState()
  const state = ItemState.safeParse(search.get('state')).data
  const furthest = idIn<StepId>(search, 'stopped')
  const find = search.get('find') ?? ''
  const solo = SoloState.safeParse(search.get('solo')).data
  const by = BY_WAY.find((way) => way === search.get('by')) ?? 'read'
  const sort: Sort<WhoSort> = { by: WhoSort.safeParse(search.get('sort')).data ?? 'state', down: search.get('down') === 'yes' }
  const filter = {
    ...amongIn(search),
    state,
    furthest,
    solo,
    find: find || undefined,
    sort: sort.by,
    direction: sort.down ? ('down' as const) : ('up' as const),
  }
  const who = useWhoFinished(id, { ...filter, page })
  const drops = useDropOff(id)
  const stopName = drops.data?.steps.find((step) => step.stepId === furthest)
  return (
    <Loaded query={who}>
      {({ guide, counts, hasCautions, soloCounts, rows, total, pageSize, onlyReports }) => (
        <>
          <title>{`${t('Who finished')} – ${guide.title} – Jackdaw`}</title>
          <TitleLine
            where={{ to: '/records', name: t('Records') }}
            title={guide.title}
            state={
              <>
                {t('Who finished')} · {t('Guide {{n}}', { n: guide.number })}, {t('edition {{n}}', { n: guide.edition })}
                {onlyReports && ` · ${t('only people who report to you')}`}
              </>
            }
          >
            {hasCautions && <ButtonLink to={`/records/guides/${id}/cautions`}>{t('Cautions')}</ButtonLink>}
            {guide.mayEdit && <ButtonLink to={`/guides/${id}/edit`}>{t('Edit the guide')}</ButtonLink>}
            <a className={buttonClass('plain')} href={addressOf(getWhoFinishedCsv, { id }, filter)} download>
              <Download size={16} aria-hidden />
              {t('CSV')}
            </a>
          </TitleLine>
          <div className="grow grid lg:grid-cols-[340px_minmax(0,1fr)] border-t border-hair">
            <aside className="p-4 border-r border-hair min-w-0">
              <ByWay by={by} onBy={(next) => set({ by: next === 'read' ? undefined : next, stopped: undefined })} />
              {by === 'read' ? (
                <Loaded query={drops}>
                  {(data) => (
                    <DropOffRuler
                      {...data}
                      selected={furthest}
                      onPick={(stepId) => set({ stopped: stepId === furthest ? undefined : stepId, state: undefined })}
                    />
                  )}
                </Loaded>
              ) : (
                <WayStepsRuler id={id} way={by} />
              )}
            </aside>
            <div className="bg-sheet px-4 md:px-6 py-4 min-w-0">
              <CountLine
                counts={counts}
                state={state}
                onState={(next) => set({ state: next === state ? undefined : next, stopped: undefined })}
              />
              <ClaimedLine claimed={counts.claimed} />
              <SoloLine counts={soloCounts} solo={solo} onSolo={(next) => set({ solo: next === solo ? undefined : next })} />
              <details
                className="my-3 border-y border-hair"
                open={search.get('days') === 'yes'}
                onToggle={(event) =>
                  event.currentTarget.open !== (search.get('days') === 'yes') && set({ days: event.currentTarget.open ? 'yes' : undefined })
                }
              >
                <summary className="min-h-10 flex items-center font-semibold text-petrol">{t('Over time')}</summary>
                {search.get('days') === 'yes' && <OverTime id={id} among={amongIn(search)} />}
              </details>
              <FindForm
                className="gap-2 my-3"
                find={find}
                label={t('Name')}
                placeholder={t('Part of a name')}
                onFind={(words) => set({ find: words })}
              >
                <GroupFilters {...{ search, set }} />
                <span className="text-sm text-soft" role="status">
                  {t('{{count}} people', { count: total })}
                  {stopName && ` ${t('who stopped at step {{n}}', { n: stopName.position })}`}
                  {(state || furthest || solo || find || filter.department || filter.site || filter.team) && (
                    <button type="button" className="ml-2 text-petrol underline" onClick={() => clear()}>
                      {t('Show all')}
                    </button>
                  )}
                </span>
              </FindForm>
              <PeopleTable
                guideId={id}
                rows={rows}
                sort={sort}
                onSort={(next) => set({ sort: next.by, down: next.down ? 'yes' : undefined })}
              />
              {rows.length === 0 && (
                <p className="py-4 text-soft">
                  {counts.people === 0 ? t('Nobody has been given this guide, and nobody has opened it.') : t('Nobody fits.')}
                </p>
              )}
              <Pager page={page} pageSize={pageSize} total={total} onPage={(next) => set({ page: String(next) })} />
            </div>
          </div>
        </>
      )}
    </Loaded>
  )
}

type CellProps = { row: PersonRecord; guideId: GuideId }
/** A day in few words; the moment when it is pointed at. */
const When = ({ at }: { at: number | null }) => (at === null ? '–' : <span title={momentOf(at)}>{whenOf(at)}</span>)

function NameCell({ row }: CellProps) {
  const { t } = useTexts()
  return (
    <>
      <Link to={`/records/people/${row.personId}`} className="font-semibold hover:underline">
        {row.name}
      </Link>
      <span className="block text-xs text-soft">
        {row.department}, {row.site}
        {!row.assigned && ` · ${t('not assigned')}`}
      </span>
    </>
  )
}

/** How each column of the list is shown. */
const CELLS: Record<ScreenColumn['id'], (props: CellProps) => ReactNode> = {
  name: NameCell,
  state: ({ row }) => (
    <>
      <StateMark state={row.state} dueOn={row.dueOn} />
      <Claimed record={row} />
    </>
  ),
  due: ({ row }) => (row.dueOn && row.state !== 'done' ? dayOf(row.dueOn) : '–'),
  seen: ({ row }) => `${Math.min(row.seen, row.parts)} / ${row.parts}`,
  time: ({ row }) => lengthOf(row.activeMs),
  last: ({ row }) => <When at={row.lastAt} />,
  finished: ({ row }) => <When at={row.finishedAt} />,
  ways: ({ row, guideId }) => <WaysUsedWords ways={row.ways} to={`/records/people/${row.personId}/guides/${guideId}`} none="–" />,
}

function PeopleTable({
  guideId,
  rows,
  sort,
  onSort,
}: {
  guideId: GuideId
  rows: PersonRecord[]
  sort: Sort<WhoSort>
  onSort: (sort: Sort<WhoSort>) => void
}) {
  const { t } = useTexts()
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={t('People')}>
      <table className="w-full text-sm">
        <thead className="border-b-2 border-ink">
          <tr>
            {SCREEN_COLUMNS.map((column) =>
              'sort' in column ? (
                <SortHead key={column.id} by={column.sort} sort={sort} onSort={onSort} className="whitespace-nowrap">
                  {t(column.name)}
                </SortHead>
              ) : (
                <th key={column.id} scope="col" className="text-left font-semibold py-1.5 pr-4 whitespace-nowrap">
                  {t(column.name)}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.personId} className="border-b border-hair hover:bg-page">
              {SCREEN_COLUMNS.map(({ id }) => {
                const Cell = CELLS[id]
                return (
                  <td key={id} className={`py-2 pr-4 ${id === 'name' || id === 'state' || id === 'ways' ? '' : 'whitespace-nowrap'}`}>
                    <Cell {...{ row, guideId }} />
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

/** The ways of which it is known how the steps went. */
const BY_WAY = waysWhere('counts', 'reading', 'steps')
type By = (typeof BY_WAY)[number]

/** Of which way the ruler tells. */
function ByWay({ by, onBy }: { by: By; onBy: (by: By) => void }) {
  const { t } = useTexts()
  return (
    <div role="group" aria-label={t('Steps by way of use')} className="flex gap-1 mb-3">
      {BY_WAY.map((way) => (
        <button
          key={way}
          type="button"
          aria-pressed={by === way}
          className="px-3 min-h-9 border-b-2 border-transparent hover:border-edge aria-pressed:border-petrol aria-pressed:bg-wash"
          onClick={() => onBy(way)}
        >
          {wayName(way, t)}
        </button>
      ))}
    </div>
  )
}

/** How many have passed Solo; each figure leads to the people. */
function SoloLine({
  counts,
  solo,
  onSolo,
}: {
  counts: { passed: number; notPassed: number; notTaken: number }
  solo: SoloState | undefined
  onSolo: (solo: SoloState) => void
}) {
  const { t } = useTexts()
  if (counts.passed + counts.notPassed === 0) return null
  const of: [SoloState, number, string][] = [
    ['passed', counts.passed, t('passed')],
    ['not-passed', counts.notPassed, t('not passed yet')],
    ['not-taken', counts.notTaken, t('not taken')],
  ]
  return (
    <p className="flex flex-wrap items-center gap-x-4 mt-1">
      <span className="font-semibold">{t('Solo')}</span>
      {of.map(([state, n, words]) => (
        <button
          key={state}
          type="button"
          aria-pressed={solo === state}
          className="inline-flex items-center px-2 min-h-9 border-b-2 border-transparent hover:border-edge aria-pressed:border-petrol aria-pressed:bg-wash"
          onClick={() => onSolo(state)}
        >
          <span className="font-semibold mr-1.5">{n}</span>
          {words}
        </button>
      ))}
    </p>
  )
}

function CountLine({ counts, state, onState }: { counts: Counts; state: ItemState | undefined; onState: (state: ItemState) => void }) {
  const { t } = useTexts()
  const of: [ItemState, number][] = [
    ['done', counts.done],
    ['in-progress', counts.inProgress],
    ['not-started', counts.notStarted],
    ['due-soon', counts.dueSoon],
    ['late', counts.late],
    ['out-of-date', counts.outOfDate],
  ]
  return (
    <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
      <p>
        <span className="font-serif text-2xl">{counts.done}</span>{' '}
        <span className="text-soft">{t('of {{people}} done', { people: counts.people })}</span>
      </p>
      {of
        .filter(([name, n]) => n > 0 && name !== 'done')
        .concat(of.filter(([name, n]) => name === 'done' && n > 0))
        .map(([name, n]) => (
          <button
            key={name}
            type="button"
            aria-pressed={state === name}
            className="inline-flex items-center px-2 min-h-9 border-b-2 border-transparent hover:border-edge aria-pressed:border-petrol aria-pressed:bg-wash"
            onClick={() => onState(name)}
          >
            <span className="font-semibold mr-1.5">{n}</span>
            <StateMark state={name} />
          </button>
        ))}
    </div>
  )
}

/** Where readers stopped, on the ruler: the bar is the share of those who began that got to the step. */
function DropOffRuler({
  started,
  finished,
  since,
  steps,
  selected,
  onPick,
}: {
  started: number
  finished: number
  since: number | null
  steps: DropOffStep[]
  selected: StepId | undefined
  onPick: (id: StepId) => void
}) {
  const { t } = useTexts()
  const shares = dropOff(steps, started)
  const worst = biggestLoss(steps)
  const marks = steps.flatMap((step, index): RulerMark[] => {
    const share = nth(shares, index)
    const mark: RulerMark = {
      id: step.stepId,
      kind: 'step',
      name: step.name || t('Step {{n}}', { n: step.position }),
      number: step.position,
      state: step.stepId === selected ? 'here' : 'open',
      bar: share.share,
      figure: (
        <span className="text-xs text-right shrink-0 w-20 pt-0.5 leading-4">
          <span className="block">
            {percentOf(share.share)} <span className="text-soft">({step.reached})</span>
          </span>
          {step.stoppedHere > 0 && (
            <span className={`block ${step.stepId === worst?.stepId ? 'text-brick font-bold' : 'text-soft'}`}>
              {step.stepId === worst?.stepId && '▲ '}
              {t('{{n}} stopped', { n: step.stoppedHere })}
            </span>
          )}
        </span>
      ),
    }
    const heads = step.section !== '' && step.section !== (steps[index - 1]?.section ?? '')
    return heads ? [{ id: `section ${step.stepId}`, kind: 'section', name: step.section }, mark] : [mark]
  })
  return (
    <>
      <h2 className="text-lg">{t('Where readers stopped')}</h2>
      <p className="text-sm text-soft mb-3">
        {started === 0 ? t('Nobody has opened it yet.') : t('{{started}} began, {{finished}} finished', { started, finished })}
        {since !== null && `; ${t('since {{day}}', { day: momentOf(since) })}`}.{' '}
        {started > 0 && t('The bar is the share of those who began. Choose a step to see who stopped there.')}
      </p>
      <StepRuler marks={marks} label={t('Drop-off by step')} onPick={(id) => onPick(id as StepId)} />
    </>
  )
}
