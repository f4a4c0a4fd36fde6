import { useId, type InputHTMLAttributes, type ReactNode, type Ref, type SelectHTMLAttributes, type TextareaHTMLAttributes } from 'react'

const BOX = 'w-full bg-sheet border border-edge rounded-md px-3 min-h-10 text-ink aria-invalid:border-brick aria-invalid:border-2'

type Common = { label: ReactNode; hint?: ReactNode; error?: string | undefined }
function Frame({ label, hint, error, id, children }: Common & { id: string; children: ReactNode }) {
  return (
    <div>
      <label htmlFor={id} className="block text-sm font-semibold mb-1">
        {label}
      </label>
      {children}
      {hint && (
        <p id={`${id}-hint`} className="text-sm text-soft mt-1">
          {hint}
        </p>
      )}
      {error && (
        <p id={`${id}-error`} className="text-sm text-brick mt-1">
          {error}
        </p>
      )}
    </div>
  )
}
const described = (id: string, { hint, error }: Pick<Common, 'hint' | 'error'>) => ({
  'aria-invalid': error ? (true as const) : undefined,
  'aria-describedby': [error ? `${id}-error` : '', hint ? `${id}-hint` : ''].filter(Boolean).join(' ') || undefined,
})

export function TextField({
  label,
  hint,
  error,
  ref,
  ...rest
}: Common & InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }) {
  const id = useId()
  return (
    <Frame {...{ label, hint, error, id }}>
      <input id={id} ref={ref} className={BOX} {...described(id, { hint, error })} {...rest} />
    </Frame>
  )
}
export function TextArea({ label, hint, error, ...rest }: Common & TextareaHTMLAttributes<HTMLTextAreaElement>) {
  const id = useId()
  return (
    <Frame {...{ label, hint, error, id }}>
      <textarea id={id} className={`${BOX} py-2`} {...described(id, { hint, error })} {...rest} />
    </Frame>
  )
}
/** The handler of a `<select>` or field whose values are all of one type, as is what this component has put there. */
export const chosen =
  <V extends string>(take: (value: V) => void) =>
  (event: { target: { value: string } }): void =>
    take(event.target.value as V)

export function Select({
  label,
  hint,
  error,
  children,
  ref,
  ...rest
}: Common & SelectHTMLAttributes<HTMLSelectElement> & { ref?: Ref<HTMLSelectElement> }) {
  const id = useId()
  return (
    <Frame {...{ label, hint, error, id }}>
      <select id={id} ref={ref} className={BOX} {...described(id, { hint, error })} {...rest}>
        {children}
      </select>
    </Frame>
  )
}
export function Check({ label, hint, ...rest }: { label: ReactNode; hint?: ReactNode } & InputHTMLAttributes<HTMLInputElement>) {
  return (
    <label className="flex gap-2 items-start min-h-8 py-1 cursor-pointer">
      <input type="checkbox" className="mt-0.5 size-[18px] accent-petrol shrink-0" {...rest} />
      <span>
        {label}
        {hint && <span className="block text-sm text-soft">{hint}</span>}
      </span>
    </label>
  )
}
