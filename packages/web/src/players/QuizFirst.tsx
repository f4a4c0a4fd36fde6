import type { QuizAmongSteps } from '@jackdaw/contracts/reading'
import { isClosed } from '@jackdaw/core/players'
import { useEffect, useRef } from 'react'
import { Button, ButtonLink } from '../ui'
import { useTexts } from '../ui/words/texts'
import type { UsedGuide } from './used'
import type { Playing } from './usePlay'
import { standingWords } from './standingWords'

/** A quiz that stands before the next step, where a guide is watched or practised: it is taken where the guide is read. */
export function QuizFirst({ quiz, guide, playing }: { quiz: QuizAmongSteps; guide: UsedGuide; playing: Playing }) {
  const { t } = useTexts()
  const { play, state, act } = playing
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus(), [])
  return (
    <div className="w-full max-w-[760px] mx-auto px-4 py-8 space-y-4">
      <h1 ref={heading} tabIndex={-1} className="font-serif text-2xl outline-none [overflow-wrap:anywhere]">
        {t('Quiz: {{title}}', { title: quiz.title })}
      </h1>
      <p>{standingWords(t, quiz)}</p>
      <div className="flex flex-wrap gap-2">
        {isClosed(play, state, state.at) ? (
          <ButtonLink
            to={`/guides/${guide.guideId}?step=${quiz.guideQuizId}`}
            look="primary"
            className="min-h-14 px-6 text-lg"
            data-quiz-on
          >
            {t('To the quiz')}
          </ButtonLink>
        ) : (
          <Button look="primary" className="min-h-14 px-6 text-lg" onClick={() => act({ type: 'next' })}>
            {t('Go on')}
          </Button>
        )}
        <Button className="min-h-14 px-6 text-lg" onClick={() => act({ type: 'back' })}>
          {t('Step before')}
        </Button>
      </div>
    </div>
  )
}
