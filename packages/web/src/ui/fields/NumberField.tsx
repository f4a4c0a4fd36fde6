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

type Taken<Empty extends boolean> = number | (Empty extends true ? null : never)
type NumberFieldProps<Empty extends boolean> = Omit<Labelled, 'label'> &
  Omit<NumberRule, 'empty'> & {
    label: string
    value: Taken<Empty>
    step?: number
    unit?: string
    small?: boolean
    late?: boolean
    /** Its name is for screen readers only. */
    hidden?: boolean
    disabled?: boolean
    empty?: Empty
    onChange: (value: Taken<Empty>) => void
  }

/** What stands in the field while it is typed, and what of it is taken. */
function useTyping<Empty extends boolean>(props: NumberFieldProps<Empty>) {
  const { value, step = 1, late = false, min, max, whole = false, empty, onChange } = props
  const [typed, setTyped] = useState<string | null>(null)
  const [left, setLeft] = useState(false)
  const rule: NumberRule = { min, max, whole, empty: empty ?? false }
  const take = (next: number | null) => next !== value && onChange(next as Taken<Empty>)
  const shown = value === null ? '' : String(Math.round((value as number) * 1_000) / 1_000)
  const type = (text: string) => {
    const next = typedNumber(text, rule)
    setTyped(text)
    setLeft(false)
    if (!late && next !== undefined) take(next)
  }
  const leave = () => {
    const next = typed === null ? undefined : typedNumber(typed, rule)
    setLeft(true)
    if (next === undefined) return
    setTyped(null)
    take(next)
  }
  const key = (event: KeyboardEvent) => {
    const by = { ArrowUp: step, ArrowDown: -step }[event.key]
    if (event.key === 'Enter') leave()
    if (by === undefined) return
    event.preventDefault()
    setTyped(null)
    take(stepped(typedNumber(typed ?? shown, rule) ?? value ?? min ?? 0, by, rule))
  }
  const notTaken = typed !== null && typedNumber(typed, rule) === undefined
  return { text: typed ?? shown, type, leave, key, notTaken, fault: (t: TFunction) => (left && notTaken ? ruleWords(rule, t) : undefined) }
}

/** A number, with a decimal point or comma; arrow keys change it by `step`. What cannot be taken stays as it was typed, with what it should
 * be, and changes nothing. `late`: taken once somebody leaves the field, for what moves as they type. */
export function NumberField<Empty extends boolean = false>(props: NumberFieldProps<Empty>) {
  const { label, hint, unit, small = false, hidden = false, disabled = false, whole = false } = props
  const { t } = useTexts()
  const id = useId()
  const { text, type, leave, key, notTaken, fault } = useTyping(props)
  const error = props.error ?? fault(t)
  const input = (
    <input
      id={id}
      inputMode={whole ? 'numeric' : 'decimal'}
      autoComplete="off"
      disabled={disabled}
      className={`${boxClass(small)} tabular-nums`}
      value={text}
      data-not-taken={notTaken || undefined}
      {...describedBy(id, { hint, error })}
      onChange={(event) => type(event.target.value)}
      onBlur={leave}
      onKeyDown={key}
    />
  )
  return (
    <Frame {...{ label, hint, error, id, small, hidden }}>
      {unit ? (
        <div className="flex items-center gap-1.5">
          {input}
          <span className={`text-soft ${small ? 'text-xs' : ''}`}>{unit}</span>
        </div>
      ) : (
        input
      )}
    </Frame>
  )
}
