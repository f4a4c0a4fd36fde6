import type { About } from './about'
import { MessageSquareWarning } from 'lucide-react'
import { Suspense, useEffect, useState } from 'react'
import { Button, lazyPart } from '../ui'
import { useTexts } from '../ui/words/texts'

// The button is there at once, what it opens when the page is at rest.
const RemarkForm = lazyPart(async () => (await import('./RemarkForm')).RemarkForm)

/** "Something is wrong here": a reader tells the owner of the guide, at the step, in their own words. */
export function SomethingWrong({ about, className = '' }: { about: About; className?: string }) {
  const { t } = useTexts()
  const [open, setOpen] = useState(false)
  const [sent, setSent] = useState(false)
  useEffect(() => void RemarkForm.preloadAtRest(), [])
  useEffect(() => {
    setOpen(false)
    setSent(false)
  }, [about.stepId])
  if (open)
    return (
      <Suspense fallback={<p className={`text-soft min-h-11 ${className}`}>{t('The form is coming …')}</p>}>
        <RemarkForm
          about={about}
          onClose={(told) => {
            setSent(told)
            setOpen(false)
          }}
        />
      </Suspense>
    )
  return (
    <div className={`flex flex-wrap items-center gap-3 ${className}`}>
      <Button look="quiet" className="text-sm px-2 min-h-11 font-normal" onClick={() => setOpen(true)}>
        <MessageSquareWarning size={16} aria-hidden />
        {t('Something is wrong here')}
      </Button>
      <span role="status" className="text-sm text-moss">
        {sent && t('Sent to the owner of this guide. Thank you.')}
      </span>
    </div>
  )
}
