import { QUIZ_LIMITS, type KeyOf } from '@jackdaw/core/quizzes'
import { X } from 'lucide-react'
import { nanoid } from 'nanoid'
import { Button, IconButton, NumberField, Radios, TextArea } from '../../../ui'
import { useTexts } from '../../../ui/words/texts'
import type { FieldsOf } from './fieldsOf'

/** A reply in words of one's own. */
export function WrittenFields({ question: { ask, key }, onChange }: FieldsOf<'written'>) {
  const { t } = useTexts()
  return (
    <>
      <div className="w-56">
        <NumberField
          label={t('Longest reply, in characters')}
          whole
          min={50}
          max={QUIZ_LIMITS.reply}
          value={ask.mostCharacters}
          onChange={(mostCharacters) => onChange({ ask: { mostCharacters } })}
        />
      </div>
      <RubricFields rubric={key} onChange={(next) => onChange({ key: next })} />
    </>
  )
}

/** A reply that is spoken or shown. */
export function RecordedFields({ question: { ask, key }, onChange }: FieldsOf<'recorded'>) {
  const { t } = useTexts()
  return (
    <>
      <Radios
        label={t('Replied by')}
        value={ask.by}
        options={[
          { value: 'either', words: t('sound or video, as they like') },
          { value: 'sound', words: t('sound') },
          { value: 'video', words: t('video'), hint: t('What they do is to be seen.') },
        ]}
        onChange={(by) => onChange({ ask: { ...ask, by } })}
      />
      <div className="w-56">
        <NumberField
          label={t('Longest reply, in seconds')}
          whole
          min={10}
          max={QUIZ_LIMITS.replySeconds}
          value={ask.mostSeconds}
          onChange={(mostSeconds) => onChange({ ask: { ...ask, mostSeconds } })}
        />
      </div>
      <RubricFields rubric={key} onChange={(next) => onChange({ key: next })} />
    </>
  )
}

type Rubric = KeyOf<'written'>
/** By what a reply is judged: lines with points, and what else those who judge it should know. */
function RubricFields({ rubric, onChange }: { rubric: Rubric; onChange: (rubric: Rubric) => void }) {
  const { t } = useTexts()
  const { criteria } = rubric
  const set = (next: Rubric['criteria']) => onChange({ ...rubric, criteria: next })
  const put = (n: number, more: Partial<Rubric['criteria'][number]>) =>
    set(criteria.map((each, at) => (at === n ? { ...each, ...more } : each)))
  return (
    <>
      <fieldset className="space-y-2">
        <legend className="text-sm font-semibold mb-1">{t('Rubric')}</legend>
        <p className="text-sm text-soft">{t('By what a person judges the reply. Learners never see it.')}</p>
        {criteria.map(({ id, words, most }, n) => (
          <div key={id} className="flex flex-wrap sm:flex-nowrap gap-2 items-start max-w-2xl">
            <input
              aria-label={t('Line {{n}} of the rubric', { n: n + 1 })}
              placeholder={t('What is looked for')}
              className="grow basis-60 border border-edge min-h-10 px-3 rounded-md"
              dir="auto"
              maxLength={QUIZ_LIMITS.criterion}
              value={words}
              onChange={(event) => put(n, { words: event.target.value })}
            />
            <div className="w-32 shrink-0">
              <NumberField
                label={t('Points of line {{n}}', { n: n + 1 })}
                hidden
                unit={t('points')}
                whole
                min={1}
                max={QUIZ_LIMITS.points}
                value={most}
                onChange={(next) => put(n, { most: next })}
              />
            </div>
            <IconButton
              name={t('Take out {{name}}', { name: words || String(n + 1) })}
              disabled={criteria.length === 1}
              onClick={() => set(criteria.filter((_, at) => at !== n))}
            >
              <X size={16} aria-hidden />
            </IconButton>
          </div>
        ))}
        <Button
          disabled={criteria.length >= QUIZ_LIMITS.criteria}
          onClick={() => set([...criteria, { id: nanoid(), words: '', most: criteria.at(-1)?.most ?? 4 }])}
        >
          {t('Add a line')}
        </Button>
      </fieldset>
      <TextArea
        label={t('What else those who judge it should know')}
        rows={3}
        maxLength={QUIZ_LIMITS.words}
        value={rubric.words}
        onChange={(event) => onChange({ ...rubric, words: event.target.value })}
      />
    </>
  )
}
