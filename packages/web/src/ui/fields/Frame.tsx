import type { ReactNode } from 'react'

/** What every field has: its name, a word of help, and what is wrong with what stands in it. */
export type Labelled = { label: ReactNode; hint?: ReactNode; error?: string | undefined }

/** The look of what is written or chosen in. `small`: in columns of many short fields. */
export const boxClass = (small = false): string =>
  `w-full min-w-0 bg-sheet border border-edge text-ink aria-invalid:border-brick aria-invalid:border-2 disabled:bg-page disabled:text-soft ${small ? 'px-2 min-h-8 text-sm' : 'px-3 min-h-10 rounded-md'}`

/** A field under its name, with the word of help and the fault below it. @param id of what is written in
 * @param hidden its name is for screen readers only */
export function Frame({
  label,
  hint,
  error,
  id,
  small = false,
  hidden = false,
  children,
}: Labelled & { id: string; small?: boolean; hidden?: boolean; children: ReactNode }) {
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={hidden ? 'sr-only' : small ? 'block text-xs text-soft' : 'block text-sm font-semibold mb-1'}>
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

/** What tells a screen reader of the help and the fault of a field. */
export const describedBy = (id: string, { hint, error }: Pick<Labelled, 'hint' | 'error'>) => ({
  'aria-invalid': error ? (true as const) : undefined,
  'aria-describedby': [error ? `${id}-error` : '', hint ? `${id}-hint` : ''].filter(Boolean).join(' ') || undefined,
})
