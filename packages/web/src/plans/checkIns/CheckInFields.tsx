import {
  CHECK_IN_LIMITS,
  findPart,
  PLAN_LIMITS,
  placePart,
  removePart,
  setCheckIn,
  type PlannedCheckIn,
  type Question,
} from '@jackdaw/core/plans'
import type { PlannedCheckInId, QuestionId, StageId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { ArrowDown, ArrowUp, X } from 'lucide-react'
import { Button, chosen, IconButton, NumberField, Select, TextArea, TextField } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import type { Selected } from '../selected'
import type { PlanWriting } from '../usePlanDraft'

/** What can be said of a check-in: its name, its day, and what both are asked. */
export function CheckInFields({
  writing: { document, change },
  id,
  onSelect,
}: {
  writing: PlanWriting
  id: PlannedCheckInId
  onSelect: (selected: Selected) => void
}) {
  const { t } = useTexts()
  const part = { checkIn: id }
  const found = findPart(document, part)
  const checkIn = found?.stage.checkIns?.find((each) => each.id === id)
  if (!found || !checkIn) return null
  const set = (more: Partial<Omit<PlannedCheckIn, 'id'>>) => change(setCheckIn(document, id, more))
  return (
    <section className="space-y-4">
      <h2 className="text-lg border-b-2 border-ink">{t('Check-in')}</h2>
      <p className="text-sm text-soft">
        {t(
          'Whoever goes through the plan and whoever they report to answer each for themselves. When both have, they see the answers side by side. Nothing waits for it.',
        )}
      </p>
      <TextField
        label={t('Name')}
        maxLength={CHECK_IN_LIMITS.name}
        value={checkIn.name}
        error={checkIn.name.trim() === '' ? t('Give the check-in a name') : undefined}
        onChange={(event) => set({ name: event.target.value })}
      />
      <NumberField label={t('On day')} whole min={1} max={PLAN_LIMITS.days} value={checkIn.day} onChange={(day) => set({ day })} />
      <Select
        label={t('In the stage')}
        value={found.stage.id}
        onChange={chosen<StageId>((to) => change(placePart(document, part, to, checkIn.day)))}
      >
        {document.stages.map((stage, n) => (
          <option key={stage.id} value={stage.id}>
            {n + 1}. {stage.name}
          </option>
        ))}
      </Select>
      <Questions questions={checkIn.questions} onChange={(questions) => set({ questions })} />
      <Button
        onClick={() => {
          onSelect(null)
          change(removePart(document, part))
        }}
      >
        {t('Take it out of the plan')}
      </Button>
    </section>
  )
}

function Questions({ questions, onChange }: { questions: readonly Question[]; onChange: (questions: Question[]) => void }) {
  const { t } = useTexts()
  const set = (n: number, more: Partial<Question>) => onChange(questions.map((each, at) => (at === n ? { ...each, ...more } : each)))
  const move = (n: number, by: number) => {
    const next = [...questions]
    next.splice(n + by, 0, ...next.splice(n, 1))
    onChange(next)
  }
  return (
    <section aria-label={t('Questions')}>
      <h3 className="font-semibold">{t('Questions')}</h3>
      <ol className="border-t border-hair">
        {questions.map((question, n) => (
          <li key={question.id} className="border-b border-hair py-2 space-y-2">
            <TextArea
              label={t('Question {{n}}', { n: n + 1 })}
              rows={2}
              maxLength={CHECK_IN_LIMITS.question}
              value={question.words}
              error={question.words.trim() === '' ? t('Write the question') : undefined}
              onChange={(event) => set(n, { words: event.target.value })}
            />
            <div className="flex items-end gap-1">
              <div className="grow min-w-0">
                <Select
                  small
                  label={t('Answered')}
                  value={question.answer}
                  onChange={chosen<Question['answer']>((answer) => set(n, { answer }))}
                >
                  <option value="words">{t('in words')}</option>
                  <option value="scale">{t('by a mark from 1 to 5')}</option>
                </Select>
              </div>
              <IconButton
                name={t('Question {{n}} earlier', { n: n + 1 })}
                className="size-8"
                disabled={n === 0}
                onClick={() => move(n, -1)}
              >
                <ArrowUp size={16} aria-hidden />
              </IconButton>
              <IconButton
                name={t('Question {{n}} later', { n: n + 1 })}
                className="size-8"
                disabled={n === questions.length - 1}
                onClick={() => move(n, 1)}
              >
                <ArrowDown size={16} aria-hidden />
              </IconButton>
              <IconButton
                name={t('Take question {{n}} out', { n: n + 1 })}
                className="size-8"
                disabled={questions.length === 1}
                onClick={() => onChange(questions.filter((_, at) => at !== n))}
              >
                <X size={16} aria-hidden />
              </IconButton>
            </div>
          </li>
        ))}
      </ol>
      <Button
        className="mt-2"
        disabled={questions.length >= CHECK_IN_LIMITS.questions}
        onClick={() => onChange([...questions, { id: nanoid<QuestionId>(), words: t('What would help?'), answer: 'words' }])}
      >
        {t('Another question')}
      </Button>
    </section>
  )
}
