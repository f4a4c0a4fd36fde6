import { QUIZ_LIMITS } from '@jackdaw/core/quizzes'
import { useId } from 'react'
import { useTexts } from '../../../ui/words/texts'
import type { AnswerField } from './answerField'

const box = 'w-full border border-edge bg-sheet px-3 min-h-14 text-lg rounded-md disabled:bg-page'

/** A word or a few. */
export function TextAnswer({ answer, disabled, onAnswer }: AnswerField<'text'>) {
  const { t } = useTexts()
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="block text-sm text-soft mb-2">
        {t('Your answer, in a word or a few')}
      </label>
      <input
        id={id}
        dir="auto"
        autoComplete="off"
        className={box}
        maxLength={QUIZ_LIMITS.shortAnswer}
        disabled={disabled}
        value={answer?.words ?? ''}
        onChange={(event) => onAnswer(event.target.value === '' ? null : { words: event.target.value })}
      />
    </div>
  )
}

/** A number, with its unit beside it. */
export function NumberAnswer({ question, answer, disabled, onAnswer }: AnswerField<'number'>) {
  const { t } = useTexts()
  const id = useId()
  const { unit } = question.ask
  return (
    <div>
      <label htmlFor={id} className="block text-sm text-soft mb-2">
        {unit ? t('Your answer, a number in {{unit}}', { unit }) : t('Your answer, a number')}
      </label>
      <div className="flex items-center gap-3 max-w-80">
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          className={`${box} tabular-nums`}
          maxLength={60}
          disabled={disabled}
          value={answer?.words ?? ''}
          onChange={(event) => onAnswer(event.target.value === '' ? null : { words: event.target.value })}
        />
        {unit && <span className="text-lg shrink-0">{unit}</span>}
      </div>
    </div>
  )
}

/** A reply in one's own words. */
export function WrittenAnswer({ question, answer, disabled, onAnswer }: AnswerField<'written'>) {
  const { t } = useTexts()
  const id = useId()
  const most = question.ask.mostCharacters
  const words = answer?.words ?? ''
  if (disabled)
    return (
      <blockquote className="border-l-2 border-ink pl-4 text-lg whitespace-pre-line [overflow-wrap:anywhere]" dir="auto">
        {words || t('No reply')}
      </blockquote>
    )
  return (
    <div>
      <label htmlFor={id} className="block text-sm text-soft mb-2">
        {t('Your reply, in your own words. A person reads it.')}
      </label>
      <textarea
        id={id}
        dir="auto"
        rows={8}
        className={`${box} py-3`}
        maxLength={most}
        value={words}
        aria-describedby={`${id}-count`}
        onChange={(event) => onAnswer(event.target.value === '' ? null : { words: event.target.value })}
      />
      <p id={`${id}-count`} className="text-sm text-soft tabular-nums">
        {t('{{used}} of {{most}} characters', { used: words.length, most })}
      </p>
    </div>
  )
}
