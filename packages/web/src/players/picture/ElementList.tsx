import { Button, Check, chosen, IconButton, Select } from '../../ui'
import type { Act, Click } from '@jackdaw/core/players'
import { X } from 'lucide-react'
import { useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { LISTED_KEYS } from './keysOf'

/** Does by names what is otherwise done by pointing: an element and how it is clicked, where it is dragged to, keys. */
export function ElementList({ names, onAct, onClose }: { names: readonly string[]; onAct: (act: Act) => void; onClose: () => void }) {
  const { t } = useTexts()
  const [how, setHow] = useState<Click | 'drag'>('once')
  const [dragged, setDragged] = useState<string | null>(null)
  const [key, setKey] = useState('Enter')
  const [modifiers, setModifiers] = useState<readonly string[]>([])
  const pick = (name: string) => {
    if (how !== 'drag') return onAct({ do: 'pick', name, how })
    if (dragged === null) return setDragged(name)
    onAct({ do: 'pick', name: dragged, how: 'once', onto: name })
    setDragged(null)
  }
  return (
    <section
      aria-label={t('Elements')}
      className="fixed right-0 top-[72px] bottom-[72px] w-full sm:w-80 bg-sheet border-l-2 border-ink z-30 overflow-auto p-4"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return
        event.preventDefault()
        onClose()
      }}
    >
      <div className="flex items-center mb-2">
        <h2 className="grow text-lg">{t('Elements')}</h2>
        <IconButton name={t('Close the list')} onClick={onClose}>
          <X size={18} aria-hidden />
        </IconButton>
      </div>
      <Select
        label={t('What you do')}
        value={how}
        onChange={chosen((value: Click | 'drag') => {
          setHow(value)
          setDragged(null)
        })}
      >
        <option value="once">{t('Select or type in it')}</option>
        <option value="double">{t('Select twice quickly')}</option>
        <option value="right">{t('Open its menu')}</option>
        <option value="drag">{t('Drag it to another one')}</option>
      </Select>
      {dragged !== null && (
        <p role="status" className="mt-2 text-sm">
          {t('“{{name}}” is dragged. To where?', { name: dragged })}
        </p>
      )}
      <ul className="mt-3 border-t border-hair">
        {names.map((name) => (
          <li key={name} className="border-b border-hair">
            <button type="button" className="w-full min-h-11 text-left px-2 hover:bg-wash" onClick={() => pick(name)}>
              {name}
            </button>
          </li>
        ))}
      </ul>
      <h2 className="text-lg mt-5 mb-1">{t('Keys')}</h2>
      <div className="flex flex-wrap gap-x-4">
        {['Ctrl', 'Alt', 'Shift', 'Meta'].map((each) => (
          <Check
            key={each}
            label={each}
            checked={modifiers.includes(each)}
            onChange={(event) => setModifiers((now) => (event.target.checked ? [...now, each] : now.filter((one) => one !== each)))}
          />
        ))}
      </div>
      <Select label={t('Key')} value={key} onChange={(event) => setKey(event.target.value)}>
        {LISTED_KEYS.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </Select>
      <Button className="mt-2 min-h-11" onClick={() => onAct({ do: 'keys', keys: [...modifiers, key].join('+') })}>
        {t('Press {{keys}}', { keys: [...modifiers, key].join('+') })}
      </Button>
    </section>
  )
}
