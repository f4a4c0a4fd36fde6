import { Switch } from 'radix-ui'
import { useId, type ReactNode } from 'react'

/** On or off, which counts at once. */
export function Toggle({
  label,
  hint,
  on,
  disabled = false,
  onChange,
}: {
  label: ReactNode
  hint?: ReactNode
  on: boolean
  disabled?: boolean
  onChange: (on: boolean) => void
}) {
  const id = useId()
  return (
    <div className="flex gap-3 items-start min-h-11 py-1.5">
      <Switch.Root
        id={id}
        checked={on}
        disabled={disabled}
        onCheckedChange={onChange}
        aria-describedby={hint ? `${id}-hint` : undefined}
        className="shrink-0 w-11 h-6 border border-ink rounded-sm bg-sheet data-[state=checked]:bg-petrol data-[state=checked]:border-petrol disabled:opacity-55"
      >
        <Switch.Thumb className="block size-4.5 ml-0.5 rounded-xs bg-ink data-[state=checked]:translate-x-5 data-[state=checked]:bg-white motion-safe:transition-transform" />
      </Switch.Root>
      <div>
        <label htmlFor={id} className={`block ${disabled ? 'text-soft' : 'cursor-pointer'}`}>
          {label}
        </label>
        {hint && (
          <span id={`${id}-hint`} className="block text-sm text-soft">
            {hint}
          </span>
        )}
      </div>
    </div>
  )
}
