import type { UseOverTime } from '@jackdaw/contracts/engagement'
import { FIGURES, type Figure, type Figures, type Span } from '@jackdaw/core/engagement'
import { Link } from 'react-router'
import { numberOf, percentOf } from '../ui'
import { useTexts, type Texts } from '../ui/words/texts'
import { figureWords } from './figureWords'
import { isKnown, opensIn } from './keptDays'
import { rowsAt, type Looking } from './looking'

/** By how much something has become more or less, in words; nothing where there was nothing before. */
export function changeOf(t: Texts['t'], now: number, before: number): string {
  if (now === before) return t('the same')
  const by = now > before ? `+${numberOf(now - before)}` : `−${numberOf(before - now)}`
  return before === 0 ? by : `${by} (${now > before ? '+' : '−'}${percentOf(Math.abs(now - before) / before)})`
}

/** A number that leads to its rows. */
function Opened({ n, to, label }: { n: number; to: string | null; label: string }) {
  if (n === 0) return <span className="text-soft">0</span>
  if (to === null) return <>{numberOf(n)}</>
  return (
    <Link to={to} aria-label={`${numberOf(n)} ${label}`} className="underline underline-offset-3">
      {numberOf(n)}
    </Link>
  )
}

/** All figures of the days that are looked at, beside those from before; one of them is drawn over time. */
export function Ledger({
  looking,
  found,
  shown,
  onShow,
}: {
  looking: Looking
  found: UseOverTime
  shown: Figure
  onShow: (figure: Figure) => void
}) {
  const { t } = useTexts()
  const head = 'text-left py-1.5 pr-4 font-semibold whitespace-nowrap'
  return (
    <table className="w-full text-sm" aria-label={t('Figures')}>
      <thead className="border-b-2 border-ink">
        <tr>
          <th scope="col" className={head}>
            {t('What is counted')}
          </th>
          <th scope="col" className={head}>
            {t('These days')}
          </th>
          {found.before && (
            <>
              <th scope="col" className={head}>
                {t('Before')}
              </th>
              <th scope="col" className={`${head} hidden sm:table-cell`}>
                {t('Change')}
              </th>
            </>
          )}
        </tr>
      </thead>
      <tbody>
        {FIGURES.map((figure) => (
          <FigureRow key={figure} {...{ figure, looking, found }} isShown={figure === shown} onShow={() => onShow(figure)} />
        ))}
      </tbody>
    </table>
  )
}

/** A figure of these days, and of those before. */
function FigureRow({
  figure,
  looking,
  found,
  isShown,
  onShow,
}: {
  figure: Figure
  looking: Looking
  found: UseOverTime
  isShown: boolean
  onShow: () => void
}) {
  const { t } = useTexts()
  const words = figureWords(t)[figure]
  const { now, before } = found
  const rows = (span: Span) => (opensIn(found, figure, span.from) ? rowsAt(looking, figure, span) : null)
  /** What was published is counted with what of it came to others. */
  const ofAll = (figures: Figures) =>
    figure === 'reached' && figures.written > 0 ? (
      <span className="text-soft">
        {' '}
        {t('of {{n}}', { n: figures.written })}, {percentOf(figures.reached / figures.written)}
      </span>
    ) : null
  return (
    <tr className={`border-b border-hair ${isShown ? 'bg-wash' : ''}`}>
      <th
        scope="row"
        className="text-left font-normal py-1.5 px-2 border-l-4 border-transparent data-[shown]:border-ink"
        data-shown={isShown || undefined}
      >
        <button type="button" aria-pressed={isShown} className="font-semibold text-left hover:underline min-h-7" onClick={onShow}>
          {words.name}
        </button>
        <span className="block text-xs text-soft">{words.counts}</span>
      </th>
      <td className="pr-4 text-base font-semibold tabular-nums whitespace-nowrap">
        <Opened n={now.whole[figure]} to={rows(now.span)} label={words.name} />
        <span className="text-sm font-normal">{ofAll(now.whole)}</span>
      </td>
      {before && (
        <>
          <td className="pr-4 tabular-nums whitespace-nowrap">
            {isKnown(found, figure, before.span.to) ? (
              <Opened n={before.whole[figure]} to={rows(before.span)} label={t('{{figure}} before', { figure: words.name })} />
            ) : (
              '–'
            )}
            {ofAll(before.whole)}
          </td>
          <td className="pr-2 tabular-nums text-soft whitespace-nowrap hidden sm:table-cell">
            {isKnown(found, figure, before.span.from) ? changeOf(t, now.whole[figure], before.whole[figure]) : '–'}
          </td>
        </>
      )}
    </tr>
  )
}
