import { buttonClass, FindForm, Loaded, momentOf, Pager, TitleLine, useSearch } from '../ui'
import { useIds } from '../ui/search/useIds'
import { type Acknowledged, getCautionRecordsCsv } from '@jackdaw/contracts/records'
import { StepId, type GuideId } from '@jackdaw/core/shared'
import { CircleCheck, Download } from 'lucide-react'
import { Link } from 'react-router'
import { addressOf } from '@jackdaw/contracts/endpoint'
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
  const { step, find = '' } = search
  const missing = search.missing === 'yes'
  const filter = { ...amongIn(search), step, find: find || undefined, missing: missing ? ('yes' as const) : undefined }
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
            <ul className="border-t border-hair mb-4">
              {steps.map((each) => (
                <li key={each.stepId} className="border-b border-hair">
                  <button
                    type="button"
                    aria-pressed={each.stepId === step}
                    className="w-full text-left flex flex-wrap gap-x-4 items-baseline py-2 px-2 hover:bg-page aria-pressed:bg-wash"
                    onClick={() => set({ step: each.stepId === step ? undefined : each.stepId })}
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
            <FindForm
              className="gap-2 mb-2"
              find={find}
              label={t('Name')}
              placeholder={t('Part of a name')}
              onFind={(words) => set({ find: words })}
            >
              <GroupFilters {...{ search, set }} />
              <label className="flex items-center gap-2">
                <input
                  type="checkbox"
                  className="size-[18px] accent-petrol"
                  checked={missing}
                  onChange={(event) => set({ missing: event.target.checked ? 'yes' : undefined })}
                />
                {t('Only what is not acknowledged')}
              </label>
            </FindForm>
            <p className="text-sm text-soft" role="status">
              {t('{{count}} lines: a person and a step each', { count: total })}
            </p>
            <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={t('People and steps')}>
              <table className="w-full text-sm">
                <thead className="border-b-2 border-ink">
                  <tr>
                    {[t('Name'), t('Step'), t('Level'), t('Acknowledged')].map((head) => (
                      <th key={head} scope="col" className="text-left font-semibold py-1.5 pr-4">
                        {head}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {rows.map((row) => (
                    <tr key={`${row.personId} ${row.stepId}`} className="border-b border-hair hover:bg-page align-top">
                      <td className="py-2 pr-4">
                        <Link to={`/records/people/${row.personId}/guides/${id}`} className="font-semibold hover:underline">
                          {row.name}
                        </Link>
                        <span className="block text-xs text-soft whitespace-nowrap">
                          {row.department}, {row.site}
                        </span>
                      </td>
                      <td className="py-2 pr-4">
                        {row.position}. {row.step}
                      </td>
                      <td className="py-2 pr-4">{cautionWord(row.level, t)}</td>
                      <td className="py-2 pr-4">
                        <AcknowledgedList list={row.acknowledged} />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            <Pager page={page} pageSize={pageSize} total={total} onPage={(next) => set({ page: String(next) })} />
          </div>
        </>
      )}
    </Loaded>
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
