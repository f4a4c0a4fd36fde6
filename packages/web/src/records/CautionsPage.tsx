import { buttonClass, Check, FindForm, Loaded, momentOf, Pager, Table, TitleLine, useSearch } from '../ui'
import { useIds } from '../ui/search/useIds'
import { type Acknowledged, type getCautionRecords, getCautionRecordsCsv } from '@jackdaw/contracts/records'
import { StepId, type GuideId } from '@jackdaw/core/shared'
import { CircleCheck, Download } from 'lucide-react'
import { Link } from 'react-router'
import { addressOf, type ResponseOf } from '@jackdaw/contracts/endpoint'
import type { Column } from '../ui/table/columns'
import { cautionWord } from '../guides/CautionView'
import { useTexts } from '../ui/words/texts'
import { Flag, Words } from '../ui/search/searchParts'
import { AMONG, amongIn, GroupFilters } from './GroupFilters'
import { useCautionRecords } from './queries'

const SEARCH = { ...AMONG, step: StepId, missing: Flag, find: Words }

/** Who has acknowledged the cautions of which step of a guide, in which way of use, and when. */
export function CautionsPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: GuideId }>()
  const { search, page, set } = useSearch(SEARCH)
  const { step, find = '', missing } = search
  const filter = { ...amongIn(search), step, find: find || undefined, missing: missing === 'yes' ? ('yes' as const) : undefined }
  const query = useCautionRecords(id, { ...filter, page })
  return (
    <Loaded query={query}>
      {({ guide, steps, rows, total, pageSize }) => (
        <>
          <title>{`${t('Cautions')} – ${guide.title} – Jackdaw`}</title>
          <TitleLine
            where={{ to: `/records/guides/${id}`, name: t('Who finished') }}
            title={guide.title}
            state={t('Cautions that are to be acknowledged, edition {{n}}', { n: guide.edition })}
          >
            <a className={buttonClass('plain')} href={addressOf(getCautionRecordsCsv, { id }, filter)} download>
              <Download size={16} aria-hidden />
              {t('CSV')}
            </a>
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-4">
            <CautionSteps {...{ steps, step }} onStep={(next) => set({ step: next })} />
            {steps.length > 0 && (
              <>
                <FindForm
                  className="gap-2 mb-2"
                  find={find}
                  label={t('Name')}
                  placeholder={t('Part of a name')}
                  onFind={(words) => set({ find: words })}
                >
                  <GroupFilters {...{ search, set }} />
                  <Check
                    checked={missing === 'yes'}
                    onChange={(event) => set({ missing: event.target.checked ? 'yes' : undefined })}
                    label={t('Only what is not acknowledged')}
                  />
                </FindForm>
                <p className="text-sm text-soft" role="status">
                  {t('{{count}} lines: a person and a step each', { count: total })}
                </p>
                <CautionTable id={id} rows={rows} />
                <Pager page={page} pageSize={pageSize} total={total} onPage={(next) => set({ page: String(next) })} />
              </>
            )}
          </div>
        </>
      )}
    </Loaded>
  )
}

type Records = ResponseOf<typeof getCautionRecords>

/** The steps with cautions, each with how many have acknowledged them; one can be chosen, to see only its people. */
function CautionSteps({
  steps,
  step,
  onStep,
}: {
  steps: Records['steps']
  step: StepId | undefined
  onStep: (step: StepId | undefined) => void
}) {
  const { t } = useTexts()
  return (
    <ul className="border-t border-hair mb-4">
      {steps.map((each) => (
        <li key={each.stepId} className="border-b border-hair">
          <button
            type="button"
            aria-pressed={each.stepId === step}
            className="w-full text-left flex flex-wrap gap-x-4 items-baseline py-2 px-2 hover:bg-page aria-pressed:bg-wash"
            onClick={() => onStep(each.stepId === step ? undefined : each.stepId)}
          >
            <strong className="w-20">{cautionWord(each.level, t)}</strong>
            <span className="grow basis-60">
              {each.position}. {each.step}
            </span>
            <span className="tabular-nums">
              {t('{{n}} of {{people}} have acknowledged it', { n: each.acknowledged, people: each.people })}
            </span>
          </button>
        </li>
      ))}
      {steps.length === 0 && <li className="py-3 text-soft">{t('This edition has no caution that is to be acknowledged.')}</li>}
    </ul>
  )
}

function CautionTable({ id, rows }: { id: GuideId; rows: Records['rows'] }) {
  const { t } = useTexts()
  const columns: Column<Records['rows'][number]>[] = [
    {
      id: 'name',
      head: t('Name'),
      cell: (row) => (
        <>
          <Link to={`/records/people/${row.personId}/guides/${id}`} className="font-semibold hover:underline">
            {row.name}
          </Link>
          <span className="block text-xs text-soft whitespace-nowrap">
            {row.department}, {row.site}
          </span>
        </>
      ),
    },
    { id: 'step', head: t('Step'), cell: (row) => `${row.position}. ${row.step}` },
    { id: 'level', head: t('Level'), cell: (row) => cautionWord(row.level, t) },
    { id: 'acknowledged', head: t('Acknowledged'), cell: (row) => <AcknowledgedList list={row.acknowledged} /> },
  ]
  return (
    <Table
      label={t('People and steps')}
      {...{ rows, columns }}
      keyOf={(row) => `${row.personId} ${row.stepId}`}
      empty={<p className="py-4 text-soft">{t('Nobody fits.')}</p>}
    />
  )
}

/** In which ways of use it was acknowledged, and when. */
export function AcknowledgedList({ list }: { list: readonly Acknowledged[] }) {
  const { t } = useTexts()
  const WAY = { read: t('Read'), watch: t('Watch'), practise: t('Practise'), solo: t('Solo') }
  if (list.length === 0) return <span className="text-soft">{t('not yet')}</span>
  return (
    <ul>
      {list.map((each) => (
        <li key={each.way} className="flex items-start gap-1.5">
          <CircleCheck size={16} className="text-moss shrink-0 mt-0.5" aria-hidden />
          <span>
            {WAY[each.way]}, {momentOf(each.firstAt)}
            {each.times > 1 && ` · ${t('{{count}} times, last {{at}}', { count: each.times, at: momentOf(each.lastAt) })}`}
            <span className="text-soft">
              {' '}
              · {t('edition {{n}}', { n: each.edition })} · {each.attested ? t('seen by the server') : t('told by the browser')}
            </span>
          </span>
        </li>
      ))}
    </ul>
  )
}
