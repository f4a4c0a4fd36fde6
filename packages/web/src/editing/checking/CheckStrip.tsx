import { stepName, stepsOf, type GuideDocument, type ItemId } from '@jackdaw/core/guides'
import { useMemo } from 'react'
import { useTexts } from '../../ui/words/texts'
import { doubtWords } from './StepCheckPanel'

const SHOWN = 6

/** The steps of a recorded draft that an author should look at, the least sure first. */
export function CheckStrip({ document, onPick }: { document: GuideDocument; onPick: (id: ItemId) => void }) {
  const { t } = useTexts()
  const unsure = useMemo(() => {
    const steps = stepsOf(document).map((step, index) => ({ step, number: index + 1, check: step.check }))
    return steps
      .flatMap(({ check, ...rest }) => (check ? [{ ...rest, check }] : []))
      .sort((a, b) => a.check.sureness - b.check.sureness || a.number - b.number)
  }, [document])
  if (unsure.length === 0) return null
  return (
    <section aria-label={t('Worth a look')} className="border-l-4 border-ochre bg-page px-4 py-3 mb-4">
      <h2 className="font-semibold text-ochre">
        {t('{{count}} steps are worth a look', { count: unsure.length })} · {t('the least sure first')}
      </h2>
      <ol className="mt-1">
        {unsure.slice(0, SHOWN).map(({ step, number, check }) => (
          <li key={step.id}>
            <button
              type="button"
              className="w-full text-left min-h-8 py-1 hover:bg-wash flex gap-3 items-baseline"
              onClick={() => onPick(step.id)}
            >
              <span className="tabular-nums font-semibold w-7 text-right shrink-0">{number}</span>
              <span className="text-petrol underline underline-offset-3 shrink-0 max-w-[55%] truncate">
                {stepName(step) || t('Step {{n}}', { n: number })}
              </span>
              <span className="text-sm text-soft truncate">{check.doubts.map((doubt) => doubtWords(doubt, t)).join(' · ')}</span>
            </button>
          </li>
        ))}
      </ol>
      {unsure.length > SHOWN && (
        <p className="text-sm text-soft mt-1">
          {t('and {{count}} more; each is marked with ? on the ruler', { count: unsure.length - SHOWN })}
        </p>
      )}
    </section>
  )
}
