import type { InputHTMLAttributes, ReactNode, Ref } from 'react'

type Box = InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }

/** The box of a yes or no by itself, where its name stands elsewhere. */
export const Tickbox = ({ className = '', ...rest }: Box) => (
  <input type="checkbox" className={`size-[18px] accent-petrol shrink-0 ${className}`} {...rest} />
)

/** Yes or no, with its words beside it; it counts once the form is sent. */
export function Check({ label, hint, className = '', ...rest }: Box & { label: ReactNode; hint?: ReactNode }) {
  return (
    <label className={`flex gap-2 items-start min-h-8 py-1 cursor-pointer ${className}`}>
      <Tickbox className="mt-0.5" {...rest} />
      <span>
        {label}
        {hint && <span className="block text-sm text-soft">{hint}</span>}
      </span>
    </label>
  )
}
