import type { GuideItem } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import { useContext, useMemo, type ReactNode } from 'react'
import { useTexts } from '../ui/words/texts'
import { byStep, useRemarks } from './queries'
import { RemarkList, RemarksByStep } from './StepRemarks'

/** Brings what readers say is wrong in a guide to its steps. */
export function GuideRemarks({ guideId, children }: { guideId: GuideId; children: ReactNode }) {
  const { data } = useRemarks(guideId)
  const remarks = useMemo(() => byStep(data ?? []), [data])
  return <RemarksByStep value={remarks}>{children}</RemarksByStep>
}

/** What readers said of steps that the draft no longer has. */
export function RemarksOnGoneSteps({ items }: { items: readonly GuideItem[] }) {
  const { t } = useTexts()
  const remarks = useContext(RemarksByStep)
  const gone = useMemo(() => {
    const here = new Set<string>(items.map((item) => item.id))
    return [...remarks].flatMap(([stepId, list]) => (here.has(stepId) ? [] : list))
  }, [remarks, items])
  if (gone.length === 0) return null
  return (
    <section className="mb-4" aria-label={t('On steps that are gone')}>
      <p className="text-sm font-semibold mb-1">{t('Readers said of steps that this draft no longer has:')}</p>
      <RemarkList remarks={gone} />
    </section>
  )
}
