import { useCombobox } from 'downshift'
import type { KeyboardEvent, ReactNode, Ref, SyntheticEvent } from 'react'
import type { TFunction } from 'i18next'
import { useTexts } from '../words/texts'

/** One thing that may be chosen from a list while somebody types. */
export type Suggestion = { id: string; words: string; about: string }
/** `asking`: an answer is on its way; `answered`: what fits is listed, if anything; `failed`: the server could not be asked. */
export type Suggested = 'still' | 'asking' | 'answered' | 'failed'

const LIST =
  'absolute top-full mt-1 min-w-full w-max max-w-[min(480px,80vw)] max-h-80 overflow-auto bg-sheet border border-edge z-50 shadow-[0_4px_14px_rgb(23_33_43/0.14)]'
const NOTHING = 'absolute left-0 top-full mt-1 w-full bg-sheet border border-edge z-50 px-3 py-2 text-sm'
const { stateChangeTypes: CHANGE } = useCombobox

/** How many fit, or why none are listed. */
function statusWords(find: string, count: number, state: Suggested, t: TFunction): string {
  if (count > 0) return t('{{count}} suggestions', { count })
  if (state === 'asking') return t('Looking …')
  if (state === 'failed') return t('The server cannot be asked just now.')
  return t('Nothing fits “{{find}}”.', { find })
}

type SuggestProps = {
  id?: string
  value: string
  label: string
  placeholder?: string
  suggestions: readonly Suggestion[]
  state: Suggested
  className?: string
  autoFocus?: boolean
  /** The list ends where the field does, at the right edge of a page. */
  end?: boolean
  /** Enter takes the first one, without an arrow key before. */
  firstReady?: boolean
  before?: ReactNode
  ref?: Ref<HTMLInputElement>
  onChange: (value: string) => void
  onPick: (id: string) => void
  /** Enter without anything chosen from the list. */
  onEnter?: () => void
}

function useBox({ id, value, suggestions, state, firstReady = false, onPick }: SuggestProps) {
  const box = useCombobox<Suggestion>({
    ...(id === undefined ? {} : { inputId: id }),
    items: [...suggestions],
    itemToString: (each) => each?.words ?? '',
    inputValue: value,
    selectedItem: null,
    defaultHighlightedIndex: firstReady ? 0 : -1,
    // Whoever goes on with Tab or a click has not chosen.
    stateReducer: (_state, { type, changes }) => (type === CHANGE.InputBlur ? { isOpen: false, highlightedIndex: -1 } : changes),
    onSelectedItemChange: ({ selectedItem }) => selectedItem && onPick(selectedItem.id),
  })
  return { box, shown: box.isOpen && value.trim() !== '' && state !== 'still' }
}

/** Keeps the combobox from what a key or a click would do to it. */
const withheld = ({ nativeEvent }: SyntheticEvent): void => void Object.assign(nativeEvent, { preventDownshiftDefault: true })

/** A field with a list under it of what fits while one types: arrows move in it, Enter takes, Escape closes the list and only the list. */
export function Suggest(props: SuggestProps) {
  const { value, label, placeholder, suggestions, state, className = '', autoFocus = false, before, ref, onChange, onEnter } = props
  const { t } = useTexts()
  const { box, shown } = useBox(props)
  const key = (event: KeyboardEvent<HTMLInputElement>) => {
    const escapes = event.key === 'Escape'
    if (!escapes && !(event.key === 'Enter' && !(shown && suggestions[box.highlightedIndex]))) return
    withheld(event)
    if (escapes ? !shown : !onEnter) return
    event.preventDefault()
    box.closeMenu()
    if (escapes) event.stopPropagation()
    else onEnter?.()
  }
  return (
    <div className="relative grow min-w-0">
      {before}
      <input
        {...box.getInputProps({
          ref,
          'aria-label': label,
          'aria-expanded': shown,
          autoFocus,
          maxLength: 200,
          placeholder,
          className,
          onKeyDown: key,
          onClick: withheld,
          onChange: (event) => onChange(event.currentTarget.value),
        })}
      />
      <Listed {...props} box={box} shown={shown && suggestions.length > 0} />
      <p role="status" className={shown && suggestions.length === 0 ? NOTHING : 'sr-only'}>
        {shown && statusWords(value.trim(), suggestions.length, state, t)}
      </p>
    </div>
  )
}

function Listed({ label, suggestions, end = false, box, shown }: SuggestProps & { box: ReturnType<typeof useBox>['box']; shown: boolean }) {
  return (
    <div className={`${LIST} ${end ? 'right-0' : 'left-0'} ${shown ? '' : 'hidden'}`} data-suggestions>
      <ul {...box.getMenuProps({ 'aria-label': label })}>
        {suggestions.map((each, index) => (
          <li
            key={each.id}
            {...box.getItemProps({ item: each, index })}
            className={`px-3 py-1.5 cursor-pointer ${index === box.highlightedIndex ? 'bg-wash' : ''}`}
          >
            <span className="block">{each.words}</span>
            {each.about && <span className="block text-xs text-soft">{each.about}</span>}
          </li>
        ))}
      </ul>
    </div>
  )
}
