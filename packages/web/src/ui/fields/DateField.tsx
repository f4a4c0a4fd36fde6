import { LocalDate } from '@jackdaw/core/shared'
import { useId, useState } from 'react'
import { useTexts } from '../words/texts'
import { boxClass, describedBy, Frame, type Labelled } from './Frame'

/** A day. While it is typed nothing is taken that is no day; what stands there when somebody leaves is told to be wrong, and changes nothing. */
export function DateField({
  label,
  hint,
  error,
  hidden = false,
  value,
  min,
  max,
  disabled = false,
  onChange,
}: Labelled & {
  /** Its name is for screen readers only. */
  hidden?: boolean
  value: LocalDate
  min?: LocalDate
  max?: LocalDate
  disabled?: boolean
  onChange: (value: LocalDate) => void
}) {
  const { t } = useTexts()
  const id = useId()
  const [typed, setTyped] = useState<string | null>(null)
  const [left, setLeft] = useState(false)
  const taken = (text: string): LocalDate | undefined => {
    const day = LocalDate.safeParse(text).data
    return day === undefined || (min && day < min) || (max && day > max) ? undefined : day
  }
  const notTaken = typed !== null && taken(typed) === undefined
  const wrong = left && notTaken ? t('Choose a day that there is here') : undefined
  return (
    <Frame {...{ label, hint, error: error ?? wrong, id, hidden }}>
      <input
        id={id}
        type="date"
        required
        {...{ min, max, disabled }}
        className={`${boxClass()} max-w-44`}
        value={typed ?? value}
        data-not-taken={notTaken || undefined}
        {...describedBy(id, { hint, error: error ?? wrong })}
        onChange={(event) => {
          const day = taken(event.target.value)
          setTyped(day === undefined ? event.target.value : null)
          setLeft(false)
          if (day !== undefined) onChange(day)
        }}
        onBlur={() => setLeft(true)}
      />
    </Frame>
  )
}
