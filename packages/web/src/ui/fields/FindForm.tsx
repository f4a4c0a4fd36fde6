import type { ReactNode } from 'react'
import { Button } from '../Button'
import { useTexts } from '../words/texts'

/** Looks for words in a list; other ways to narrow it stand beside the field. */
export function FindForm({
  find,
  label,
  placeholder = label,
  maxLength = 100,
  className = '',
  wide = false,
  children,
  onFind,
}: {
  find: string
  label: string
  placeholder?: string
  maxLength?: number
  className?: string
  /** The field takes the room that there is. */
  wide?: boolean
  children?: ReactNode
  onFind: (find: string) => void
}) {
  const { t } = useTexts()
  return (
    <form
      className={`flex flex-wrap items-center ${className}`}
      onSubmit={(event) => {
        event.preventDefault()
        onFind(String(new FormData(event.currentTarget).get('find') ?? '').trim())
      }}
    >
      <input
        key={find}
        name="find"
        defaultValue={find}
        maxLength={maxLength}
        aria-label={label}
        placeholder={placeholder}
        className={`min-h-9 px-3 border border-edge rounded-md ${wide ? 'grow max-w-80' : ''}`}
      />
      <Button type="submit">{t('Find')}</Button>
      {children}
    </form>
  )
}
