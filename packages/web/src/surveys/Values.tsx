import { valuesOf, type SurveyQuestion } from '@jackdaw/core/surveys'
import { Star } from 'lucide-react'
import { useId } from 'react'
import { useTexts, type Texts } from '../ui/words/texts'

/** What a value is called to whoever hears it. */
const valueWords = (t: Texts['t'], question: SurveyQuestion, value: number): string => {
  if (question.kind === 'choice') return question.options[value] ?? ''
  return question.kind === 'stars' ? t('{{n}} of 5 stars', { n: value }) : String(value)
}

/** A question with its answers, of which one is chosen. */
export function Values({
  question,
  value,
  onChange,
}: {
  question: SurveyQuestion
  value: number | null
  onChange: (value: number) => void
}) {
  const { t } = useTexts()
  const name = useId()
  const values = valuesOf(question)
  if (values.length === 0) return <p className="font-semibold">{question.words}</p>
  const choice = question.kind === 'choice'
  return (
    <fieldset>
      <legend className="font-semibold mb-2">{question.words}</legend>
      <div className={choice ? 'space-y-1' : 'flex flex-wrap gap-1 items-center'}>
        {question.kind === 'scale' && <span className="text-sm text-soft pr-1">{question.low}</span>}
        {values.map((each) => (
          <label
            key={each}
            className={`items-center gap-2 cursor-pointer border bg-sheet has-checked:border-ink has-checked:bg-wash has-focus-visible:outline-2 ${choice ? 'flex px-3 min-h-11 border-edge' : 'inline-flex justify-center size-11 border-edge'}`}
          >
            <input
              type="radio"
              name={name}
              className={choice ? 'size-[18px] accent-petrol shrink-0' : 'sr-only'}
              aria-label={valueWords(t, question, each)}
              checked={value === each}
              onChange={() => onChange(each)}
            />
            {question.kind === 'stars' ? (
              <Star size={22} aria-hidden className={value !== null && each <= value ? 'fill-ochre text-ochre' : 'text-soft'} />
            ) : (
              <span>{choice ? valueWords(t, question, each) : each}</span>
            )}
          </label>
        ))}
        {question.kind === 'scale' && <span className="text-sm text-soft pl-1">{question.high}</span>}
      </div>
    </fieldset>
  )
}
