import { useId, useState, type ReactNode, type Ref } from 'react'
import { useTexts } from '../words/texts'

/** One thing that may be chosen from a list while somebody types. */
export type Suggestion = { id: string; words: string; about: string }

/** A field with a list under it of what fits while one types: arrows move in it, Enter takes, Escape closes the list and only the list. */
export function Suggest({
  value,
  label,
  placeholder,
  suggestions,
  state,
  className = '',
  autoFocus = false,
  end = false,
  before,
  ref,
  onChange,
  onPick,
  onEnter,
}: {
  value: string
  label: string
  placeholder?: string
  suggestions: readonly Suggestion[]
  /** `asking`: an answer is on its way; `answered`: what fits is listed, if anything; `failed`: the server could not be asked. */
  state: 'still' | 'asking' | 'answered' | 'failed'
  className?: string
  autoFocus?: boolean
  /** The list ends where the field does, at the right edge of a page. */
  end?: boolean
  before?: ReactNode
  ref?: Ref<HTMLInputElement>
  onChange: (value: string) => void
  onPick: (id: string) => void
  /** Enter without anything chosen from the list. */
  onEnter?: () => void
}) {
  const { t } = useTexts()
  const list = useId()
  const [open, setOpen] = useState(false)
  const [at, setAt] = useState(-1)
  const shown = open && value.trim() !== '' && state !== 'still'
  const close = () => {
    setOpen(false)
    setAt(-1)
  }
  const pick = (id: string) => {
    close()
    onPick(id)
  }
  const key = (event: React.KeyboardEvent<HTMLInputElement>) => {
    const many = suggestions.length
    if (event.key === 'Escape' && shown) {
      event.preventDefault()
      event.stopPropagation()
      close()
    } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && many > 0) {
      event.preventDefault()
      setOpen(true)
      const next = event.key === 'ArrowDown' ? at + 1 : at - 1
      setAt(next < -1 ? many - 1 : next >= many ? -1 : next)
    } else if (event.key === 'Enter') {
      const chosen = shown ? suggestions[at] : undefined
      if (!chosen && !onEnter) return
      event.preventDefault()
      if (chosen) pick(chosen.id)
      else {
        close()
        onEnter?.()
      }
    }
  }
  return (
    <div className="relative grow min-w-0" onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && close()}>
      {before}
      <input
        ref={ref}
        role="combobox"
        aria-label={label}
        aria-expanded={shown}
        aria-controls={list}
        aria-autocomplete="list"
        aria-activedescendant={shown && at >= 0 ? `${list}-${at}` : undefined}
        autoComplete="off"
        autoFocus={autoFocus}
        maxLength={200}
        value={value}
        placeholder={placeholder}
        className={className}
        onChange={(event) => {
          setOpen(true)
          setAt(-1)
          onChange(event.target.value)
        }}
        onKeyDown={key}
      />
      <Listed {...{ list, label, suggestions, at, shown, end }} onPick={pick} />
      <p
        role="status"
        className={
          shown && suggestions.length === 0
            ? 'absolute left-0 top-full mt-1 w-full bg-sheet border border-edge z-50 px-3 py-2 text-sm'
            : 'sr-only'
        }
      >
        {shown &&
          (suggestions.length > 0
            ? t('{{count}} suggestions', { count: suggestions.length })
            : state === 'asking'
              ? t('Looking …')
              : state === 'failed'
                ? t('The server cannot be asked just now.')
                : t('Nothing fits “{{find}}”.', { find: value.trim() }))}
      </p>
    </div>
  )
}

function Listed({
  list,
  label,
  suggestions,
  at,
  shown,
  end,
  onPick,
}: {
  list: string
  label: string
  suggestions: readonly Suggestion[]
  at: number
  shown: boolean
  end: boolean
  onPick: (id: string) => void
}) {
  return (
    <div
      className={`absolute ${end ? 'right-0' : 'left-0'} top-full mt-1 min-w-full w-max max-w-[min(480px,80vw)] max-h-80 overflow-auto bg-sheet border border-edge z-50 shadow-[0_4px_14px_rgb(23_33_43/0.14)] ${shown ? '' : 'hidden'}`}
      data-suggestions
    >
      <ul role="listbox" id={list} aria-label={label}>
        {suggestions.map((each, n) => (
          <li
            key={each.id}
            id={`${list}-${n}`}
            role="option"
            aria-selected={n === at}
            className={`px-3 py-1.5 cursor-pointer ${n === at ? 'bg-wash' : 'hover:bg-page'}`}
            onPointerDown={(event) => event.preventDefault()}
            onClick={() => onPick(each.id)}
          >
            <span className="block">{each.words}</span>
            {each.about && <span className="block text-xs text-soft">{each.about}</span>}
          </li>
        ))}
      </ul>
    </div>
  )
}
