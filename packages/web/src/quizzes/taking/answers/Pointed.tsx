import { useState, type KeyboardEvent } from 'react'
import { Button } from '../../../ui'
import { useTexts } from '../../../ui/words/texts'
import type { AnswerField } from './answerField'

const KEY_STEP = 0.02
const STEPS: Record<string, readonly [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
const held = (share: number) => Math.min(1, Math.max(0, Math.round(share * 10_000) / 10_000))

/** A place on a picture: pressed, or gone to by the arrow keys. */
export function PlaceAnswer({ question, answer, disabled, source, onAnswer }: AnswerField<'place'>) {
  const { t } = useTexts()
  const [gone, setGone] = useState(false)
  const { picture } = question.ask
  if (!picture) return null
  const move = (event: KeyboardEvent) => {
    const step = STEPS[event.key]
    if (!step || disabled) return
    event.preventDefault()
    const from = answer ?? { x: 0.5, y: 0.5 }
    const far = event.shiftKey ? 5 : 1
    onAnswer({ x: held(from.x + step[0] * KEY_STEP * far), y: held(from.y + step[1] * KEY_STEP * far) })
  }
  return (
    <div className="space-y-2">
      <p className="text-sm text-soft" id={`${question.id}-how`}>
        {t('Press the place on the picture. By keys: the arrows move the mark, with Shift farther.')}
      </p>
      {gone && (
        <p className="text-brick font-semibold">
          {t('The picture could not be fetched. Go on with the other questions, and load the page again.')}
        </p>
      )}
      <div
        tabIndex={disabled ? -1 : 0}
        role="application"
        aria-label={picture.alt || t('Picture')}
        aria-describedby={`${question.id}-how`}
        className={`relative inline-block max-w-full border border-edge ${disabled ? '' : 'cursor-crosshair'}`}
        onKeyDown={move}
        onClick={(event) => {
          if (disabled) return
          const box = event.currentTarget.getBoundingClientRect()
          onAnswer({ x: held((event.clientX - box.left) / box.width), y: held((event.clientY - box.top) / box.height) }, true)
        }}
      >
        <img
          src={source.picture(picture.id)}
          alt={picture.alt}
          draggable={false}
          className="block max-w-full max-h-[60vh]"
          onError={() => setGone(true)}
        />
        {answer && (
          <span
            aria-hidden
            className="absolute size-9 -translate-x-1/2 -translate-y-1/2 border-3 border-kingfisher outline-2 outline-ink -outline-offset-0 rotate-45"
            style={{ left: `${answer.x * 100}%`, top: `${answer.y * 100}%` }}
          />
        )}
      </div>
      <p aria-live="polite" className="text-sm text-soft">
        {answer
          ? t('The mark is {{x}} % from the left and {{y}} % from the top.', {
              x: Math.round(answer.x * 100),
              y: Math.round(answer.y * 100),
            })
          : t('No place is marked yet.')}
      </p>
      {answer && !disabled && (
        <Button look="quiet" onClick={() => onAnswer(null, true)}>
          {t('Take the mark away')}
        </Button>
      )}
    </div>
  )
}
