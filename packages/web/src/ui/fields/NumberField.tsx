import { useId, useState, type KeyboardEvent } from 'react'
import type { TFunction } from 'i18next'
import { useTexts } from '../words/texts'
import { boxClass, describedBy, Frame, type Labelled } from './Frame'
import { stepped, typedNumber, type NumberRule } from './typedNumber'

/** What a number has to be, in words. */
function ruleWords({ min, max, whole }: NumberRule, t: TFunction): string {
  if (min !== undefined && max !== undefined)
    return whole ? t('A whole number from {{min}} to {{max}}', { min, max }) : t('A number from {{min}} to {{max}}', { min, max })
  if (min !== undefined) return t('A number of at least {{min}}', { min })
  if (max !== undefined) return t('A number of at most {{max}}', { max })
  return whole ? t('A whole number') : t('A number')
}

/** A number, with a decimal point or comma; arrow keys change it by `step`. What cannot be taken stays as it was typed, with what it should
 * be, and changes nothing. `late`: taken once somebody leaves the field, for what moves as they type. */
export function NumberField<Empty extends boolean = false>({
  label,
  hint,
  error,
  value,
  step = 1,
  unit,
  small = false,
  late = false,
  hidden = false,
  disabled = false,
  min,
  max,
  whole = false,
  empty,
  onChange,
}: Omit<Labelled, 'label'> &
  Omit<NumberRule, 'empty'> & {
    label: string
    value: number | (Empty extends true ? null : never)
    step?: number
    unit?: string
    small?: boolean
    late?: boolean
    /** Its name is for screen readers only. */
    hidden?: boolean
    disabled?: boolean
    empty?: Empty
    onChange: (value: number | (Empty extends true ? null : never)) => void
  }) {
  const { t } = useTexts()
  const id = useId()
  const [typed, setTyped] = useState<string | null>(null)
  const [left, setLeft] = useState(false)
  const rule: NumberRule = { min, max, whole, empty: empty ?? false }
  const take = (next: number | null) => onChange(next as number | (Empty extends true ? null : never))
  const shown = value === null ? '' : String(Math.round((value as number) * 1_000) / 1_000)
  const wrong = left && typed !== null && typedNumber(typed, rule) === undefined ? ruleWords(rule, t) : undefined
  const leave = () => {
    const next = typed === null ? undefined : typedNumber(typed, rule)
    setLeft(true)
    if (next === undefined) return
    setTyped(null)
    if (next !== value) take(next)
  }
  const key = (event: KeyboardEvent) => {
    const by = { ArrowUp: step, ArrowDown: -step }[event.key]
    if (event.key === 'Enter') leave()
    if (by === undefined) return
    event.preventDefault()
    setTyped(null)
    take(stepped(typedNumber(typed ?? shown, rule) ?? value ?? min ?? 0, by, rule))
  }
  const input = (
    <input
      id={id}
      inputMode={whole ? 'numeric' : 'decimal'}
      autoComplete="off"
      disabled={disabled}
      aria-label={hidden ? label : undefined}
      className={`${boxClass(small)} tabular-nums`}
      value={typed ?? shown}
      {...describedBy(id, { hint, error: error ?? wrong })}
      onChange={(event) => {
        const next = typedNumber(event.target.value, rule)
        setTyped(event.target.value)
        setLeft(false)
        if (!late && next !== undefined && next !== value) take(next)
      }}
      onBlur={leave}
      onKeyDown={key}
    />
  )
  const withUnit = unit ? (
    <div className="flex items-center gap-1.5">
      {input}
      <span className={`text-soft ${small ? 'text-xs' : ''}`}>{unit}</span>
    </div>
  ) : (
    input
  )
  return hidden ? (
    <div className="min-w-0">
      {withUnit}
      {(error ?? wrong) && (
        <p id={`${id}-error`} className="text-sm text-brick mt-1">
          {error ?? wrong}
        </p>
      )}
    </div>
  ) : (
    <Frame {...{ label, hint, error: error ?? wrong, id, small }}>{withUnit}</Frame>
  )
}
