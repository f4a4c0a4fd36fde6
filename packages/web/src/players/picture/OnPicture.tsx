import type { Rect } from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import { Check } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Button } from '../../ui'

const share = (n: number) => `${n * 100}%`
/** Where an area stands on what is shown of a picture, as CSS. */
export const spotStyle = (rect: Rect, shown: Rect): React.CSSProperties => ({
  left: share((rect.x - shown.x) / shown.width),
  top: share((rect.y - shown.y) / shown.height),
  width: share(rect.width / shown.width),
  height: share(rect.height / shown.height),
})

const CORNERS = [
  'top-0 left-0 border-t-3 border-l-3',
  'top-0 right-0 border-t-3 border-r-3',
  'bottom-0 left-0 border-b-3 border-l-3',
  'bottom-0 right-0 border-b-3 border-r-3',
]

/** A frame around an element, as those that authors draw: four corner brackets. */
export function Brackets({ rect, shown }: { rect: Rect; shown: Rect }) {
  return (
    <span aria-hidden className="absolute pointer-events-none" style={spotStyle(rect, shown)} data-brackets>
      {CORNERS.map((corner) => (
        <span
          key={corner}
          className={`absolute -m-1 w-2/5 max-w-5 h-2/5 max-h-5 border-kingfisher drop-shadow-[0_0_1px_#17212b] ${corner}`}
        />
      ))}
    </span>
  )
}

/** An element that has been found. */
export function Found({ rect, shown }: { rect: Rect; shown: Rect }) {
  return (
    <span aria-hidden className="absolute pointer-events-none flex items-center justify-end" style={spotStyle(rect, shown)} data-found>
      <span className="bg-moss text-white size-6 flex items-center justify-center">
        <Check size={16} />
      </span>
    </span>
  )
}

type Entry = {
  style: React.CSSProperties
  /** What the field is called; empty when it has no name. */
  name: string
  /** It is a list, of which the entries may not be known. */
  chooses: boolean
  options: readonly string[] | null
  tries: number
  refusal: string
  busy?: boolean
  onEnter: (entry: string) => void
}

/** What is to be done in a field, in words. */
function entryWords({ name, chooses, options }: Entry, t: TFunction): string {
  if (options) return name ? t('Choose: {{name}}', { name }) : t('Choose one')
  if (name) return chooses ? t('Choose or type: {{name}}', { name }) : t('Type: {{name}}', { name })
  return t('Your entry')
}

/** The field that somebody has pointed at: an entry is typed, or chosen from a list. One that was not taken stays, to be mended.
 * @param tries   entries so far
 * @param refusal what the application says to the last one; empty when it says nothing */
export function EntryField(entry: Entry) {
  const { t } = useTexts()
  const label = entryWords(entry, t)
  return entry.options ? <ChosenEntry {...entry} label={label} options={entry.options} /> : <TypedEntry {...entry} label={label} />
}

function ChosenEntry({ style, label, options, busy = false, onEnter }: Entry & { label: string; options: readonly string[] }) {
  return (
    <ul
      className="absolute z-10 bg-sheet border-2 border-petrol min-w-48 max-h-60 overflow-auto shadow-md"
      style={{ ...style, height: 'auto' }}
      aria-label={label}
      data-entries
    >
      <li className="px-3 py-1 text-sm text-soft border-b border-hair" aria-hidden>
        {label}
      </li>
      {options.map((option, n) => (
        <li key={option}>
          <button
            type="button"
            autoFocus={n === 0}
            disabled={busy}
            className="w-full min-h-11 px-3 text-left hover:bg-wash focus-visible:bg-wash"
            onClick={() => onEnter(option)}
          >
            {option}
          </button>
        </li>
      ))}
    </ul>
  )
}

function TypedEntry({ style, label, tries, refusal, busy = false, onEnter }: Entry & { label: string }) {
  const { t } = useTexts()
  const [entry, setEntry] = useState('')
  const input = useRef<HTMLInputElement>(null)
  useEffect(() => {
    input.current?.focus({ preventScroll: true })
    input.current?.select()
  }, [tries])
  return (
    <form
      className="absolute z-10 flex min-w-56 min-h-11"
      style={{ ...style, height: 'auto' }}
      onSubmit={(event) => {
        event.preventDefault()
        if (!busy) onEnter(entry)
      }}
    >
      <input
        ref={input}
        value={entry}
        maxLength={2_000}
        autoComplete="off"
        aria-label={label}
        data-entry
        placeholder={label}
        aria-invalid={refusal !== ''}
        className={`grow min-w-0 bg-sheet border-2 px-2 text-[16px] ${refusal ? 'border-brick' : 'border-petrol'}`}
        onChange={(event) => setEntry(event.target.value)}
      />
      <Button type="submit" look="primary" className="rounded-none min-w-11" aria-label={t('Enter it')} disabled={busy}>
        <Check size={18} aria-hidden />
      </Button>
      {refusal && (
        <span
          aria-hidden
          data-refusal
          className="absolute top-full left-0 mt-1 bg-sheet border border-brick text-brick text-sm px-2 py-1 w-max max-w-72"
        >
          {refusal}
        </span>
      )}
    </form>
  )
}

/** Keeps a field of this width inside of the picture. */
export const keptInside = (x: number, y: number): React.CSSProperties => ({
  left: `min(${share(x)}, calc(100% - 230px))`,
  top: `min(${share(y)}, calc(100% - 48px))`,
})

/** A pop-up as the application would show it. */
export function PopUp({
  title,
  words,
  buttons,
  busy = false,
  right,
  onPress,
}: {
  title: string
  words: string
  buttons: readonly { id: string; words: string }[]
  busy?: boolean
  /** The button to be pointed out. */
  right?: string | undefined
  onPress: (buttonId: string) => void
}) {
  return (
    <div className="absolute inset-0 z-10 bg-ink/35 flex items-center justify-center p-3">
      <div role="group" aria-label={title || words} className="bg-sheet border border-ink p-4 max-w-md w-full shadow-md">
        {title && <p className="font-semibold text-lg mb-1">{title}</p>}
        <p className="mb-4 whitespace-pre-line">{words}</p>
        <div className="flex flex-wrap justify-end gap-2">
          {buttons.map((button) => (
            <Button
              key={button.id}
              disabled={busy}
              className={`min-h-11 px-4 ${button.id === right ? 'outline-3 outline-kingfisher outline-offset-2' : ''}`}
              onClick={() => onPress(button.id)}
            >
              {button.words}
            </Button>
          ))}
        </div>
      </div>
    </div>
  )
}
