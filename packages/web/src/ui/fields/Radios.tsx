import { useId, type ReactNode } from 'react'

/** One of what can be chosen. `more`: what is said about it, in fields, once it is. */
export type RadioOption<V extends string> = { value: V; words: ReactNode; hint?: ReactNode; disabled?: boolean; more?: ReactNode }

/** One of a few, all in sight. `hidden`: its name is for screen readers only. */
export function Radios<V extends string>({
  label,
  hidden = false,
  options,
  value,
  onChange,
  className = 'space-y-1',
}: {
  label: string
  hidden?: boolean
  options: readonly RadioOption<V>[]
  value: V | null
  onChange: (value: V) => void
  className?: string
}) {
  const name = useId()
  return (
    <fieldset>
      <legend className={hidden ? 'sr-only' : 'text-sm font-semibold mb-1'}>{label}</legend>
      <div className={className}>
        {options.map((option) => (
          <div key={option.value}>
            <label className="flex gap-2 items-start min-h-8 py-1 cursor-pointer has-disabled:text-soft has-disabled:cursor-default">
              <input
                type="radio"
                name={name}
                className="mt-0.5 size-[18px] accent-petrol shrink-0"
                checked={value === option.value}
                disabled={option.disabled}
                onChange={() => onChange(option.value)}
              />
              <span>
                {option.words}
                {option.hint && <span className="block text-sm text-soft">{option.hint}</span>}
              </span>
            </label>
            {value === option.value && option.more && <div className="pl-[26px] pb-2">{option.more}</div>}
          </div>
        ))}
      </div>
    </fieldset>
  )
}
