import type { AskedQuestion } from '@jackdaw/contracts/surveys'
import type { GuideId } from '@jackdaw/core/shared'
import { useEffect, useState, type ReactNode } from 'react'
import { createPortal } from 'react-dom'
import { useNavigate } from 'react-router'
import { Dialog } from '../ui/over/Dialog'
import { useTexts } from '../ui/words/texts'
import { AnswerForm } from './AnswerForm'
import { putAway, useAsked } from './queries'

/** What is asked at the steps of a guide while it is read: at the step itself, or as somebody is about to leave there.
 * @param at      the step where they are
 * @param through whether they have finished
 * @param asPage  all steps stand on the page */
export function AskedInGuide({ guideId, at, through, asPage }: { guideId: GuideId; at: string; through: boolean; asPage: boolean }) {
  const asked = useAsked(guideId).data ?? []
  const [thanked, setThanked] = useState<readonly string[]>([])
  const done =
    ({ id, stepId }: AskedQuestion) =>
    (answered: boolean) => {
      putAway(guideId, id)
      if (answered) setThanked((before) => [...before, stepId])
    }
  const here = asked.filter(({ when }) => when === 'come')
  const leaving = asked.find(({ when, stepId }) => when === 'leave' && stepId === at)
  return (
    <>
      {here.map((each) => (
        <AtItsStep key={each.id} stepId={each.stepId} {...{ at, asPage }}>
          <div className="border-l-4 border-petrol bg-page p-3 mt-6 print:hidden" data-asked>
            <AnswerForm {...{ guideId }} asked={each} onDone={done(each)} />
          </div>
        </AtItsStep>
      ))}
      {[...new Set(thanked)].map((stepId) => (
        <AtItsStep key={stepId} {...{ stepId, at, asPage }}>
          <Thanks />
        </AtItsStep>
      ))}
      {leaving && !through && <AskedOnLeaving {...{ guideId }} asked={leaving} onDone={done(leaving)} />}
    </>
  )
}

function Thanks() {
  const { t } = useTexts()
  return (
    <p role="status" className="text-moss font-semibold mt-4">
      ✓ {t('Thank you, your answer is there.')}
    </p>
  )
}

/** Something that belongs to a step: below the step that is read, or in its place on the page. */
function AtItsStep({ stepId, at, asPage, children }: { stepId: string; at: string; asPage: boolean; children: ReactNode }) {
  if (!asPage) return stepId === at ? children : null
  const place = document.getElementById(`step-${stepId}`)
  return place && createPortal(children, place)
}

/** Where a link leads that is followed in this window, to another page of ours; `null` for all other clicks. */
function pageLinked(event: MouseEvent): string | null {
  if (event.defaultPrevented || event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return null
  const link = (event.target as Element).closest<HTMLAnchorElement>('a[href]')
  if (
    !link ||
    link.target !== '' ||
    link.hasAttribute('download') ||
    link.origin !== location.origin ||
    link.pathname === location.pathname
  )
    return null
  return link.pathname + link.search + link.hash
}

/** Asks whoever follows a link to another page, before it opens; one press on “Leave it” and they are there. */
function AskedOnLeaving({ guideId, asked, onDone }: { guideId: GuideId; asked: AskedQuestion; onDone: (answered: boolean) => void }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const [to, setTo] = useState<string | null>(null)
  useEffect(() => {
    const onClick = (event: MouseEvent) => {
      const page = pageLinked(event)
      if (page === null) return
      event.preventDefault()
      event.stopPropagation()
      setTo(page)
    }
    document.addEventListener('click', onClick, true)
    return () => document.removeEventListener('click', onClick, true)
  }, [])
  if (to === null) return null
  const go = (answered: boolean) => {
    onDone(answered)
    void navigate(to)
  }
  return (
    <Dialog open onClose={() => go(false)} title={t('Before you go')}>
      <AnswerForm {...{ guideId, asked }} onDone={go} />
    </Dialog>
  )
}
