import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { stepsOf } from '@jackdaw/core/guides'
import { FileDown, Link2, ListOrdered, Printer, ScrollText } from 'lucide-react'
import { Suspense, useState, type ReactNode } from 'react'
import { lazyPart, TextButton } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useCopyLink } from '../../sharing/copyLink'
import { useKeys } from '../../ui/keys/useKeys'
import { useIsGuest } from '../readBy'
import type { View } from './useView'

const SaveGuideAs = lazyPart(async () => (await import('../../exchange/SaveGuideAs')).SaveGuideAs)

/** What can be done with a guide beside reading it: another view, printing it, saving it as a file. */
export function ReaderTools({
  edition: { guideId, document },
  view,
  at,
  onView,
  onPrint,
}: {
  edition: ReaderEdition
  view: View
  /** The step that is shown alone. */
  at: string | null
  onView: (view: View) => void
  onPrint: () => void
}) {
  const { t } = useTexts()
  const [asked, setAsked] = useState(false)
  const guest = useIsGuest()
  const copyLink = useCopyLink(guideId)
  const toStep = stepsOf(document).findIndex(({ id }) => id === at) > 0 ? at : null
  useKeys(guest ? {} : { copyLink: () => copyLink(toStep) })
  return (
    <div className="flex flex-col items-start mb-3 -mt-1 print:hidden">
      {view === 'steps' ? (
        <Tool icon={<ScrollText size={16} aria-hidden />} onClick={() => onView('page')}>
          {t('Read as one page')}
        </Tool>
      ) : (
        <Tool icon={<ListOrdered size={16} aria-hidden />} onClick={() => onView('steps')}>
          {t('Read step by step')}
        </Tool>
      )}
      <Tool icon={<Printer size={16} aria-hidden />} onClick={onPrint}>
        {t('Print …')}
      </Tool>
      {!guest && (
        <>
          <Tool icon={<FileDown size={16} aria-hidden />} onClick={() => setAsked(true)}>
            {t('Save as a file …')}
          </Tool>
          <Tool icon={<Link2 size={16} aria-hidden />} onClick={() => copyLink(toStep)}>
            {toStep === null ? t('Copy the link') : t('Copy the link to this step')}
          </Tool>
        </>
      )}
      {asked && (
        <Suspense>
          <SaveGuideAs {...{ guideId, document }} published draft={false} onClose={() => setAsked(false)} />
        </Suspense>
      )}
    </div>
  )
}

function Tool({ icon, onClick, children }: { icon: ReactNode; onClick: () => void; children: ReactNode }) {
  return (
    <TextButton className="min-h-9 text-sm inline-flex items-center gap-2 no-underline!" onClick={onClick}>
      {icon}
      {children}
    </TextButton>
  )
}
