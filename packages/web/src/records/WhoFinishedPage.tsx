import { buttonClass, ButtonLink, FindForm, Loaded, Pager, type Sort, TitleLine, useSearch, TextButton } from '../ui'
import { type GuideId, StepId } from '@jackdaw/core/shared'
import type { ItemId } from '@jackdaw/core/items'
import { editOf, namedItem } from '../items'
import { useIds } from '../ui/search/useIds'
import { type getWhoFinished, getWhoFinishedCsv, SoloState, WhoSort } from '@jackdaw/contracts/records'
import { ItemState } from '@jackdaw/core/items'
import { Download } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import * as z from 'zod/mini'
import { addressOf, type ResponseOf } from '@jackdaw/contracts/endpoint'
import { Flag, Words } from '../ui/search/searchParts'
import { AMONG, amongIn, GroupFilters } from './GroupFilters'
import { useDropOff, useWhoFinished } from './queries'
import { OverTime } from './OverTime'
import { CountLine, SoloLine } from './CountLines'
import { BY_WAY, ByWay, DropOffRuler } from './DropOffRuler'
import { PeopleTable } from './PeopleTable'
import { WayStepsRuler } from './WayStepsRuler'
import { ClaimedLine } from './Claimed'

const SEARCH = {
  ...AMONG,
  state: ItemState,
  stopped: StepId,
  find: Words,
  solo: SoloState,
  by: z.enum(BY_WAY),
  sort: WhoSort,
  down: Flag,
  days: Flag,
}

/** What of the people is shown, as the address says it. */
function useShown() {
  const { id } = useIds<{ id: ItemId }>()
  const { search, page, set, clear } = useSearch(SEARCH)
  const { state, stopped: furthest, find = '', solo, by = 'read' } = search
  const sort: Sort<WhoSort> = { by: search.sort ?? 'state', down: search.down === 'yes' }
  const among = amongIn(search)
  const narrowed = { ...among, state, furthest, solo, find: find || undefined }
  const filter = { ...narrowed, sort: sort.by, direction: sort.down ? ('down' as const) : ('up' as const) }
  return { id, search, page, set, clear, by, sort, among, filter, isNarrowed: Object.values(narrowed).some(Boolean) }
}
type Shown = ReturnType<typeof useShown>
type Who = ResponseOf<typeof getWhoFinished>

/** The people of an item, how far they are, and where the readers of a guide stopped. */
export function WhoFinishedPage() {
  const shown = useShown()
  const who = useWhoFinished(shown.id, { ...shown.filter, page: shown.page })
  return (
    <Loaded query={who}>
      {(found) => (
        <>
          <Head {...{ shown, found }} />
          <div className={`grow grid border-t border-hair ${found.of.item.kind === 'guide' ? 'lg:grid-cols-[340px_minmax(0,1fr)]' : ''}`}>
            {found.of.item.kind === 'guide' && (
              <aside className="p-4 border-r border-hair min-w-0">
                <Steps {...shown} guideId={found.of.item.id} />
              </aside>
            )}
            <div className="bg-sheet px-4 md:px-6 py-4 min-w-0">
              <Counted {...{ shown, found }} />
              <People {...{ shown, found }} />
            </div>
          </div>
        </>
      )}
    </Loaded>
  )
}

function Head({ shown: { id, filter }, found: { of, hasCautions, onlyReports } }: { shown: Shown; found: Who }) {
  const { t } = useTexts()
  const edit = editOf(t, of.item)
  return (
    <>
      <title>{`${t('Who finished')} – ${of.title} – Jackdaw`}</title>
      <TitleLine
        where={{ to: '/records', name: t('Records') }}
        title={of.title}
        state={
          <>
            {t('Who finished')} · {namedItem(t, of.item, of.number)}, {t('edition {{n}}', { n: of.edition })}
            {onlyReports && ` · ${t('only people who report to you')}`}
          </>
        }
      >
        {hasCautions && <ButtonLink to={`/records/guides/${id}/cautions`}>{t('Cautions')}</ButtonLink>}
        {of.mayAssign && <ButtonLink to={`/items/${id}/given`}>{t('Given to')}</ButtonLink>}
        {of.mayEdit && <ButtonLink to={edit.to}>{edit.words}</ButtonLink>}
        <a className={buttonClass('plain')} href={addressOf(getWhoFinishedCsv, { id }, filter)} download>
          <Download size={16} aria-hidden />
          {t('CSV')}
        </a>
      </TitleLine>
    </>
  )
}

/** Step by step: where readers stopped, or how it went in another way of use. */
function Steps({ guideId, by, set, filter: { furthest } }: Shown & { guideId: GuideId }) {
  const drops = useDropOff(guideId)
  return (
    <>
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
        <WayStepsRuler id={guideId} way={by} />
      )}
    </>
  )
}

/** How many are how far; each figure leads to the people. */
function Counted({ shown, found: { counts, soloCounts } }: { shown: Shown; found: Who }) {
  const { t } = useTexts()
  const { id, search, set, among } = shown
  const { state, solo } = search
  const open = search.days === 'yes'
  return (
    <>
      <CountLine counts={counts} state={state} onState={(next) => set({ state: next === state ? undefined : next, stopped: undefined })} />
      <ClaimedLine claimed={counts.claimed} />
      <SoloLine counts={soloCounts} solo={solo} onSolo={(next) => set({ solo: next === solo ? undefined : next })} />
      <details
        className="my-3 border-y border-hair"
        open={open}
        onToggle={(event) => event.currentTarget.open !== open && set({ days: event.currentTarget.open ? 'yes' : undefined })}
      >
        <summary className="min-h-10 flex items-center font-semibold text-petrol">{t('Over time')}</summary>
        {open && <OverTime id={id} among={among} />}
      </details>
    </>
  )
}

function People({ shown, found: { of, counts, rows, total, pageSize } }: { shown: Shown; found: Who }) {
  const { t } = useTexts()
  const { search, page, set, clear, sort, filter, isNarrowed } = shown
  const stopped = useDropOff(of.item.kind === 'guide' ? of.item.id : null).data?.steps.find((step) => step.stepId === filter.furthest)
  return (
    <>
      <FindForm
        className="gap-2 my-3"
        find={search.find ?? ''}
        label={t('Name')}
        placeholder={t('Part of a name')}
        onFind={(words) => set({ find: words })}
      >
        <GroupFilters {...{ search, set }} />
        <span className="text-sm text-soft" role="status">
          {t('{{count}} people', { count: total })}
          {stopped && ` ${t('who stopped at step {{n}}', { n: stopped.position })}`}
          {isNarrowed && (
            <TextButton className="ml-2" onClick={() => clear()}>
              {t('Show all')}
            </TextButton>
          )}
        </span>
      </FindForm>
      <PeopleTable
        item={of.item}
        rows={rows}
        mayAssign={of.mayAssign}
        sort={sort}
        onSort={(next) => set({ sort: next.by, down: next.down ? 'yes' : undefined })}
        empty={
          <p className="py-4 text-soft">
            {counts.people === 0 ? t('Nobody has been given this, and nobody has opened it.') : t('Nobody fits.')}
          </p>
        }
      />
      <Pager page={page} pageSize={pageSize} total={total} onPage={(next) => set({ page: String(next) })} />
    </>
  )
}
