import { QUIZ_LIMITS } from '@jackdaw/core/quizzes'
import { X } from 'lucide-react'
import { Button, Check, chosen, IconButton, NumberField, Select, TextField } from '../../../ui'
import { useTexts } from '../../../ui/words/texts'
import type { FieldsOf } from './fieldsOf'

/** A word or a few, in accepted spellings. */
export function TextFields({ question: { key }, onChange }: FieldsOf<'text'>) {
  const { t } = useTexts()
  const set = (more: Partial<typeof key>) => onChange({ key: { ...key, ...more } })
  const put = (n: number, words: string) => set({ accepted: key.accepted.map((each, at) => (at === n ? words : each)) })
  return (
    <>
      <fieldset className="space-y-2">
        <legend className="text-sm font-semibold mb-1">{t('What is accepted')}</legend>
        {key.accepted.map((words, n) => (
          <div key={n} className="flex gap-2 max-w-lg">
            <input
              aria-label={t('Accepted spelling {{n}}', { n: n + 1 })}
              className="grow border border-edge min-h-10 px-3 rounded-md"
              dir="auto"
              maxLength={QUIZ_LIMITS.spelling}
              value={words}
              onChange={(event) => put(n, event.target.value)}
            />
            <IconButton
              name={t('Take out {{name}}', { name: words || String(n + 1) })}
              disabled={key.accepted.length === 1}
              onClick={() => set({ accepted: key.accepted.filter((_, at) => at !== n) })}
            >
              <X size={16} aria-hidden />
            </IconButton>
          </div>
        ))}
        <Button disabled={key.accepted.length >= QUIZ_LIMITS.accepted} onClick={() => set({ accepted: [...key.accepted, ''] })}>
          {t('Add another spelling')}
        </Button>
      </fieldset>
      <div className="max-w-sm">
        <Select
          label={t('Slips that are let pass')}
          hint={t('A letter left out, put in, exchanged or wrong; at most one for each four letters. Figures have to be right.')}
          value={String(key.slips)}
          onChange={chosen((slips) => set({ slips: Number(slips) }))}
        >
          {[t('none'), t('one'), t('two'), t('three')].map((words, n) => (
            <option key={n} value={n}>
              {words}
            </option>
          ))}
        </Select>
      </div>
      <Check
        label={t('Capital and small letters count')}
        checked={key.sameCase}
        onChange={(event) => set({ sameCase: event.target.checked })}
      />
    </>
  )
}

/** A number with a unit, and how near one has to come. */
export function NumberFields({ question: { ask, key }, onChange }: FieldsOf<'number'>) {
  const { t } = useTexts()
  const { of, amount } = key.tolerance
  return (
    <>
      <div className="flex flex-wrap gap-4">
        <div className="w-44">
          <NumberField label={t('Right number')} empty value={key.right} onChange={(right) => onChange({ key: { ...key, right } })} />
        </div>
        <div className="w-32">
          <TextField
            label={t('Unit')}
            maxLength={QUIZ_LIMITS.unit}
            value={ask.unit}
            onChange={(event) => onChange({ ask: { unit: event.target.value } })}
          />
        </div>
      </div>
      <div className="flex flex-wrap gap-4">
        <div className="w-44">
          <NumberField
            label={t('May be off by')}
            min={0}
            value={amount}
            onChange={(next) => onChange({ key: { ...key, tolerance: { of, amount: next } } })}
          />
        </div>
        <div className="w-44">
          <Select
            label={t('in')}
            value={of}
            onChange={chosen<typeof of>((next) => onChange({ key: { ...key, tolerance: { of: next, amount } } }))}
          >
            <option value="absolute">{ask.unit || t('the same unit')}</option>
            <option value="percent">{t('percent of it')}</option>
          </Select>
        </div>
      </div>
      <p className="text-sm text-soft">{t('A decimal comma or point is read as people of each language write it.')}</p>
    </>
  )
}
