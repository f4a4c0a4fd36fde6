import { isBlank, type Option } from '@jackdaw/core/quizzes'
import type { ReactNode } from 'react'
import { useTexts } from '../../../ui/words/texts'
import { ContentView, type FileSource } from '../../ContentView'
import type { AnswerField } from './answerField'

/** A row that is pressed anywhere. */
function Choice({
  type,
  name,
  checked,
  disabled,
  onChange,
  children,
}: {
  type: 'radio' | 'checkbox'
  name: string
  checked: boolean
  disabled: boolean
  onChange: (is: boolean) => void
  children: ReactNode
}) {
  return (
    <label
      className={`flex gap-3 items-start min-h-14 px-4 py-3.5 border cursor-pointer has-disabled:cursor-default has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-kingfisher ${checked ? 'border-petrol border-2 -m-px bg-wash' : 'border-edge'}`}
    >
      <input
        {...{ type, name, checked, disabled }}
        className="mt-1 size-5 accent-petrol shrink-0"
        onChange={(event) => onChange(event.target.checked)}
      />
      <span className="grow min-w-0">{children}</span>
    </label>
  )
}
const named = (option: Option, source: FileSource) =>
  isBlank(option.content) ? '–' : <ContentView content={option.content} source={source} />

/** One of several. */
export function OneAnswer({ question, answer, disabled, source, onAnswer }: AnswerField<'one'>) {
  const { t } = useTexts()
  return (
    <fieldset className="space-y-2">
      <legend className="text-sm text-soft mb-2">{t('Choose one answer')}</legend>
      {question.ask.options.map((option) => (
        <Choice
          key={option.id}
          type="radio"
          name={question.id}
          checked={answer?.option === option.id}
          disabled={disabled}
          onChange={() => onAnswer({ option: option.id }, true)}
        >
          {named(option, source)}
        </Choice>
      ))}
    </fieldset>
  )
}

/** Any number of several. */
export function SeveralAnswers({ question, answer, disabled, source, onAnswer }: AnswerField<'several'>) {
  const { t } = useTexts()
  const chosen = answer?.options ?? []
  const put = (id: string, is: boolean) => {
    const options = is ? [...chosen, id] : chosen.filter((each) => each !== id)
    onAnswer(options.length > 0 ? { options } : null, true)
  }
  return (
    <fieldset className="space-y-2">
      <legend className="text-sm text-soft mb-2">{t('Choose all that are right')}</legend>
      {question.ask.options.map((option) => (
        <Choice
          key={option.id}
          type="checkbox"
          name={question.id}
          checked={chosen.includes(option.id)}
          disabled={disabled}
          onChange={(is) => put(option.id, is)}
        >
          {named(option, source)}
        </Choice>
      ))}
    </fieldset>
  )
}

/** Whether a statement holds. */
export function TrueFalseAnswer({ question, answer, disabled, onAnswer }: AnswerField<'true-false'>) {
  const { t } = useTexts()
  return (
    <fieldset className="space-y-2">
      <legend className="text-sm text-soft mb-2">{t('Is this true or false?')}</legend>
      {([true, false] as const).map((value) => (
        <Choice
          key={String(value)}
          type="radio"
          name={question.id}
          checked={answer?.value === value}
          disabled={disabled}
          onChange={() => onAnswer({ value }, true)}
        >
          {value ? t('true') : t('false')}
        </Choice>
      ))}
    </fieldset>
  )
}
