import { nth } from '@jackdaw/core/shared'
import { guideItem } from '@jackdaw/core/items'
import type { QuizAmongSteps, ReaderEdition } from '@jackdaw/contracts/reading'
import { stepName, type Step } from '@jackdaw/core/guides'
import { leftToDo, type Play, type PlayerState } from '@jackdaw/core/players'
import { CircleCheck } from 'lucide-react'
import { useFinishFate } from '../../events'
import { Button } from '../../ui'
import { useTexts, type Texts } from '../../ui/words/texts'
import { ClosingWords } from '../ClosingWords'
import { useIsGuest } from '../readBy'
import { DRAFT } from '../used'
import type { Doing } from '../usePlayer'

/** What is jumped over, by its name. */
function nameOf(t: Texts['t'], id: string, steps: readonly Step[], quizzes: readonly QuizAmongSteps[]): string {
  const n = steps.findIndex((step) => step.id === id)
  if (n >= 0) return `${n + 1}. ${stepName(nth(steps, n))}`
  return t('Quiz: {{title}}', { title: quizzes.find(({ guideQuizId }) => guideQuizId === id)?.title })
}

/** Where an edition ends: what is still to be read, or that it is on record. */
export function Closing({
  edition,
  play,
  state,
  steps,
  quizzes,
  act,
  heading,
}: {
  edition: ReaderEdition
  play: Play
  state: PlayerState
  steps: Step[]
  quizzes: readonly QuizAmongSteps[]
  act: (doing: Doing) => void
  heading: React.RefObject<HTMLHeadingElement | null>
}) {
  const { t } = useTexts()
  const guest = useIsGuest()
  const left = leftToDo(play, state)
  const fate = useFinishFate({ item: guideItem(edition.guideId), edition: edition.edition, way: 'read' })
  if (state.finished)
    return (
      <div className="py-8">
        {fate !== 'refused' && <CircleCheck size={44} className="text-moss mb-3" aria-hidden />}
        <h1 ref={heading} tabIndex={-1} className="font-serif text-2xl mb-2 outline-none">
          {fate === 'refused' ? t('Not on record yet') : t('Done')}
        </h1>
        <ClosingWords document={edition.document} />
        <p className="mb-6">
          <FinishedWords {...{ edition, fate }} />
        </p>
        <Button className="min-h-11" onClick={() => act({ type: 'go', to: nth(steps, 0).id })}>
          {t('Look at step 1')}
        </Button>
      </div>
    )
  return (
    <div className="py-8">
      <h1 ref={heading} tabIndex={-1} className="font-serif text-2xl mb-2 outline-none">
        {t('That was the last step')}
      </h1>
      {left.length > 0 ? (
        <>
          <p className="mb-3">{t('Before you say that you are done, look at what you have jumped over:')}</p>
          <ul className="mb-6 border-t border-hair">
            {left.map((id) => (
              <li key={id} className="border-b border-hair">
                <button
                  type="button"
                  className="py-2.5 text-left text-petrol hover:underline w-full"
                  onClick={() => act({ type: 'go', to: id })}
                >
                  {nameOf(t, id, steps, quizzes)}
                </button>
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="mb-6">
          {guest
            ? t('Say that you are done when you have read and understood everything. It is counted; nobody is told who you are.')
            : t(
                'Say that you are done when you have read and understood everything. Your name and the time go on record for edition {{n}}.',
                {
                  n: edition.edition,
                },
              )}
        </p>
      )}
    </div>
  )
}

/** What became of it that somebody is through. */
function FinishedWords({ edition, fate }: { edition: ReaderEdition; fate: ReturnType<typeof useFinishFate> }) {
  const { t } = useTexts()
  const guest = useIsGuest()
  const { edition: n, progress } = edition
  if (n === DRAFT) return t('This is a preview. Nothing of it is kept.')
  if (guest) return t('You are through. You can look things up here as long as the link holds.')
  if (progress.finishedEdition === n) return t('You have read this edition. You can look things up here at any time.')
  if (fate === 'waiting')
    return t('It is kept on this device and goes on record as soon as the server can be reached, also when you close this page.')
  if (fate === 'refused') return t('The server does not have all of your reading. Open the guide again: it shows what is missing.')
  return t('It is on record that you have read edition {{n}} of this guide. You can look things up here at any time.', { n })
}
