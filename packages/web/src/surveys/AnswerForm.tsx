import type { AskedQuestion } from '@jackdaw/contracts/surveys'
import type { GuideId } from '@jackdaw/core/shared'
import { isAnswerTo, valuesOf, type SurveyQuestion } from '@jackdaw/core/surveys'
import { Star } from 'lucide-react'
import { useId, useState } from 'react'
import { Button, Failed, TextArea } from '../ui'
import { useTexts, type Texts } from '../ui/words/texts'
import { useAnswer } from './queries'

/** A question with the ways to answer it. @param onDone told once it was answered, or that it is left */
export function AnswerForm({ guideId, asked, onDone }: { guideId: GuideId; asked: AskedQuestion; onDone: (answered: boolean) => void }) {
  const { t } = useTexts()
  const { question, anonymous } = asked
  const [value, setValue] = useState<number | null>(null)
  const [comment, setComment] = useState('')
  const send = useAnswer(guideId, asked.id)
  const answer = { value, comment: comment.trim() }
  return (
    <form
      className="space-y-3"
      aria-label={question.words}
      // Keys that turn steps belong to the answer here.
      onKeyDown={(event) => event.stopPropagation()}
      onSubmit={(event) => {
        event.preventDefault()
        if (!send.isPending) send.mutate(answer, { onSuccess: () => onDone(true) })
      }}
    >
      <Values {...{ question, value }} onChange={setValue} />
      <TextArea
        label={question.kind === 'words' ? t('Your answer') : t('Anything to add')}
        rows={2}
        maxLength={2_000}
        value={comment}
        onChange={(event) => setComment(event.target.value)}
      />
      <p className="text-sm text-soft">
        {anonymous ? t('Who answers is not stored.') : t('Your name stands beside your answer.')} {t('You may also leave it.')}
      </p>
      {send.isError && <Failed error={send.error} />}
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="primary" className="min-h-11" disabled={send.isPending || !isAnswerTo(question, answer)}>
          {send.isPending ? t('Sending …') : t('Send the answer')}
        </Button>
        <Button className="min-h-11" onClick={() => onDone(false)}>
          {t('Leave it')}
        </Button>
      </div>
    </form>
  )
}

/** What a value is called to whoever hears it. */
const valueWords = (t: Texts['t'], question: SurveyQuestion, value: number): string => {
  if (question.kind === 'choice') return question.options[value] ?? ''
  return question.kind === 'stars' ? t('{{n}} of 5 stars', { n: value }) : String(value)
}

function Values({ question, value, onChange }: { question: SurveyQuestion; value: number | null; onChange: (value: number) => void }) {
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
