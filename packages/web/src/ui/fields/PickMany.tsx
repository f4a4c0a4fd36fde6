import { X } from 'lucide-react'
import { useId, useState } from 'react'
import { useTexts } from '../words/texts'
import { boxClass } from './Frame'
import { Suggest, type Suggested, type Suggestion } from './Suggest'

/** Several of many, found by typing. @param chosen those so far, in order
 * @param useFound what fits what was typed; a hook */
export function PickMany({
  label,
  hidden = false,
  placeholder,
  chosen,
  most,
  useFound,
  onAdd,
  onRemove,
}: {
  label: string
  /** Its name is for screen readers only. */
  hidden?: boolean
  placeholder: string
  chosen: readonly { id: string; words: string }[]
  /** How many are listed at once. */
  most: number
  useFound: (find: string) => { found: readonly Suggestion[]; state: Suggested }
  onAdd: (added: Suggestion) => void
  onRemove: (id: string) => void
}) {
  const id = useId()
  const [find, setFind] = useState('')
  const { found, state } = useFound(find.trim())
  const left = found.filter((each) => !chosen.some((one) => one.id === each.id)).slice(0, most)
  return (
    <div>
      <label htmlFor={id} className={hidden ? 'sr-only' : 'block text-sm font-semibold mb-1'}>
        {label}
      </label>
      {chosen.length > 0 && <ChosenOnes {...{ label, chosen, onRemove }} />}
      <div className="max-w-80 flex">
        <Suggest
          id={id}
          firstReady
          value={find}
          suggestions={left}
          className={boxClass()}
          {...{ label, placeholder, state }}
          onChange={setFind}
          onPick={(picked) => {
            const added = left.find((each) => each.id === picked)
            setFind('')
            if (added) onAdd(added)
          }}
          // What is typed here sends no form around it.
          onEnter={() => undefined}
        />
      </div>
    </div>
  )
}

function ChosenOnes({
  label,
  chosen,
  onRemove,
}: {
  label: string
  chosen: readonly { id: string; words: string }[]
  onRemove: (id: string) => void
}) {
  const { t } = useTexts()
  return (
    <ul className="flex flex-wrap gap-1.5 mb-1.5" aria-label={t('Chosen: {{what}}', { what: label })}>
      {chosen.map((each) => (
        <li key={each.id} className="inline-flex items-center bg-wash pl-2">
          <span>{each.words}</span>
          <button
            type="button"
            className="size-8 flex items-center justify-center"
            aria-label={t('Take out {{name}}', { name: each.words })}
            onClick={() => onRemove(each.id)}
          >
            <X size={14} aria-hidden />
          </button>
        </li>
      ))}
    </ul>
  )
}
