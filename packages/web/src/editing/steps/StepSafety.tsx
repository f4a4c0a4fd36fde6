import { IconButton, Tickbox, chosen } from '../../ui'
import { CautionLevel, type Caution, type SignId, type Step } from '@jackdaw/core/guides'
import { Trash2 } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { useTexts } from '../../ui/words/texts'
import { SignView } from '../../annotations'
import { cautionMeaning, cautionWord, SignalWord } from '../../guides/CautionView'
import type { ItemActions } from '../itemActions'
import { SignPicker, toggled } from './SignPicker'

/** A caution as its author writes it. */
export function CautionFields({
  caution,
  name,
  onChange,
}: {
  caution: Omit<Caution, 'id'>
  name: string
  onChange: (caution: Omit<Caution, 'id'>) => void
}) {
  const { t } = useTexts()
  return (
    <div className="grow min-w-0 space-y-1.5">
      <div className="flex flex-wrap items-center gap-2">
        <SignalWord level={caution.level} />
        <select
          aria-label={t('Level of {{name}}', { name })}
          className="min-h-8 bg-sheet border border-edge px-1 text-sm"
          value={caution.level}
          onChange={chosen((value: CautionLevel) => onChange({ ...caution, level: value }))}
        >
          {CautionLevel.options.map((level) => (
            <option key={level} value={level}>
              {cautionWord(level, t)}: {cautionMeaning(level, t)}
            </option>
          ))}
        </select>
      </div>
      <textarea
        rows={2}
        maxLength={1_000}
        aria-label={t('Words of {{name}}', { name })}
        placeholder={t('What can happen, and how is it avoided?')}
        className="w-full bg-sheet border border-edge px-2 py-1"
        value={caution.words}
        onChange={(event) => onChange({ ...caution, words: event.target.value })}
      />
      <label className="flex gap-2 items-center text-sm min-h-8">
        <Tickbox checked={caution.acknowledge} onChange={(event) => onChange({ ...caution, acknowledge: event.target.checked })} />
        {t('The reader has to say that they have read it')}
      </label>
    </div>
  )
}

/** Cautions and safety signs of a step, where its author writes them. */
export function StepSafety({
  step,
  number,
  actions,
  picking,
  onPicking,
}: {
  step: Step
  number: number
  actions: ItemActions
  picking: boolean
  onPicking: (open: boolean) => void
}) {
  const { t } = useTexts()
  const cautions = step.cautions ?? []
  const signs = step.signs ?? []
  const box = useRef<HTMLDivElement>(null)
  const before = useRef(cautions.length)
  useEffect(() => {
    const isNew = cautions.length > before.current && cautions.at(-1)!.words === ''
    before.current = cautions.length
    if (isNew && box.current?.closest('li')?.querySelector('[data-step-tools]'))
      [...box.current.querySelectorAll('textarea')].at(-1)?.focus()
  }, [cautions])
  const set = (next: Caution[]) => actions.setCautions(step.id, next)
  return (
    <div ref={box} data-keeps-editor>
      {cautions.map((caution, n) => (
        <div key={caution.id} className="flex gap-2 items-start border-l-2 border-hair pl-3 py-1 mb-2">
          <CautionFields
            caution={caution}
            name={t('caution {{n}} of step {{step}}', { n: n + 1, step: number })}
            onChange={(next) => set(cautions.map((each) => (each === caution ? { ...next, id: caution.id } : each)))}
          />
          <IconButton
            name={t('Remove caution {{n}} of step {{step}}', { n: n + 1, step: number })}
            onClick={() => set(cautions.filter((each) => each !== caution))}
          >
            <Trash2 size={16} aria-hidden />
          </IconButton>
        </div>
      ))}
      {signs.length > 0 && (
        <button
          type="button"
          className="flex flex-wrap gap-2 p-1 hover:bg-wash"
          aria-label={t('Change the signs of step {{n}}', { n: number })}
          onClick={() => onPicking(true)}
        >
          {signs.map((id) => (
            <SignView key={id} id={id} sizePx={44} />
          ))}
        </button>
      )}
      {picking && (
        <SignPicker
          chosen={signs}
          onToggle={(id: SignId) => actions.setSigns(step.id, toggled(signs, id))}
          onClose={() => onPicking(false)}
        />
      )}
    </div>
  )
}
