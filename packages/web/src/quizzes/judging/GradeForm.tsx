import type { JudgedReply } from '@jackdaw/contracts/judging'
import { pointsOfGrade, QUIZ_LIMITS, type Criterion } from '@jackdaw/core/quizzes'
import type { QuizAttemptId } from '@jackdaw/core/shared'
import { useId, useState, type FormEvent } from 'react'
import { Button, Failed, showToast, TextArea } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useGradeReply } from '../queries'

/** Judges a reply: points for each line of the rubric, and words for whoever replied. @param name whose reply it is */
export function GradeForm({ id, reply, name, onGiven }: { id: QuizAttemptId; reply: JudgedReply; name: string; onGiven: () => void }) {
  const { t } = useTexts()
  const { question, rubric, grades, apart, most } = reply
  const mine = apart === null ? grades[0] : undefined
  const [points, setPoints] = useState<Readonly<Record<string, number>>>(mine?.points ?? {})
  const [words, setWords] = useState(mine?.words ?? '')
  const [asked, setAsked] = useState(false)
  const grade = useGradeReply(id, question.id)
  const missing = rubric.criteria.filter((each) => points[each.id] === undefined)
  const send = (event: FormEvent) => {
    event.preventDefault()
    setAsked(true)
    if (missing.length > 0 || grade.isPending) return
    grade.mutate(
      { points, words },
      {
        onSuccess: ({ over }) => {
          showToast(over ? t('Saved. All of it is judged, and {{name}} is told.', { name }) : t('Saved.'))
          onGiven()
        },
      },
    )
  }
  return (
    <form className="space-y-4" onSubmit={send} noValidate>
      {rubric.criteria.map((criterion) => (
        <PointsFor
          key={criterion.id}
          criterion={criterion}
          value={points[criterion.id]}
          error={asked && points[criterion.id] === undefined ? t('Choose how many points it has.') : null}
          onChange={(next) => setPoints({ ...points, [criterion.id]: next })}
        />
      ))}
      <p className="tabular-nums" aria-live="polite">
        {t('{{points}} of {{most}} points', { points: pointsOfGrade(rubric.criteria, { points }), most })}
      </p>
      <TextArea
        label={t('What you say to {{name}}', { name })}
        hint={t('They read it once all of it is judged.')}
        rows={3}
        maxLength={QUIZ_LIMITS.words}
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      {grade.isError && <Failed error={grade.error} />}
      <Button type="submit" look="primary" className="min-h-11" disabled={grade.isPending}>
        {grade.isPending ? t('Saving …') : mine ? t('Change what you gave') : t('Give these points')}
      </Button>
    </form>
  )
}

/** How many points a line of the rubric has: each number is a key. */
function PointsFor({
  criterion: { words, most },
  value,
  error,
  onChange,
}: {
  criterion: Criterion
  value: number | undefined
  error: string | null
  onChange: (points: number) => void
}) {
  const name = useId()
  return (
    <fieldset aria-describedby={error === null ? undefined : `${name}-error`}>
      <legend className="mb-1.5" dir="auto">
        {words}
      </legend>
      <div className="flex flex-wrap">
        {Array.from({ length: most + 1 }, (_, n) => (
          <label
            key={n}
            className="min-w-11 min-h-11 -ml-px first:ml-0 border border-edge flex items-center justify-center tabular-nums cursor-pointer hover:bg-wash has-checked:bg-ink has-checked:text-paper has-checked:font-semibold has-focus-visible:outline-2 has-focus-visible:outline-petrol has-focus-visible:outline-offset-2"
          >
            <input type="radio" name={name} className="sr-only" checked={value === n} onChange={() => onChange(n)} />
            {n}
          </label>
        ))}
      </div>
      {error !== null && (
        <p id={`${name}-error`} className="text-sm text-brick mt-1">
          {error}
        </p>
      )}
    </fieldset>
  )
}
