import type { LocalDate } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Check, DateField, FindForm, NumberField, Radios, Select, TextArea, TextField } from '../../ui'
import { PickMany } from '../../ui/fields/PickMany'
import { Suggest, type Suggestion } from '../../ui/fields/Suggest'
import { Toggle } from '../../ui/fields/Toggle'
import { Part } from './Part'

const HERBS = ['Basil', 'Chervil', 'Chives', 'Dill', 'Lovage', 'Mint', 'Sorrel', 'Thyme'].map((words, n): Suggestion => ({
  id: words,
  words,
  about: `Bench ${n + 1}`,
}))
const useHerbs = (find: string) => ({
  found: find === '' ? [] : HERBS.filter((each) => each.words.toLowerCase().includes(find.toLowerCase())),
  state: find === '' ? ('still' as const) : ('answered' as const),
})

export function FieldParts() {
  return (
    <>
      <Part name="Fields">
        <TextField label="Title" defaultValue="Water the seed trays" />
        <TextField label="With a hint" hint="What people look for comes first." placeholder="Nothing yet" />
        <TextField label="Refused" defaultValue="?" error="A title has letters in it. What you wrote is kept." />
        <TextField label="Cannot be changed" defaultValue="Edition 3" disabled />
        <TextArea label="Longer words" rows={3} defaultValue="Fog, do not pour." />
        <Select label="One of many" defaultValue="b">
          <option value="a">Brookside</option>
          <option value="b">Larkmoor</option>
        </Select>
      </Part>
      <NumbersAndDays />
      <Choosing />
      <Finding />
    </>
  )
}

function NumbersAndDays() {
  const [trays, setTrays] = useState(24)
  const [warm, setWarm] = useState<number | null>(18.5)
  const [day, setDay] = useState('2026-11-03' as LocalDate)
  return (
    <Part name="Numbers and days">
      <div className="w-40">
        <NumberField label="Trays" whole min={1} max={90} value={trays} onChange={setTrays} hint={`${trays} of 90`} />
      </div>
      <div className="w-40">
        <NumberField label="Warmth, or nothing" empty unit="°C" step={0.5} value={warm} onChange={setWarm} />
      </div>
      <div className="w-28">
        <NumberField label="Small" small late unit="px" min={0} max={400} value={trays} onChange={setTrays} />
      </div>
      <NumberField label="Not now" value={3} disabled onChange={setTrays} />
      <DateField label="Day" value={day} onChange={setDay} />
      <DateField label="Day in November" value={day} min={'2026-11-01' as LocalDate} max={'2026-11-30' as LocalDate} onChange={setDay} />
    </Part>
  )
}

function Choosing() {
  const [ticked, setTicked] = useState(true)
  const [on, setOn] = useState(false)
  const [place, setPlace] = useState<'bench' | 'cold' | 'field'>('bench')
  return (
    <>
      <Part name="Yes or no">
        <Check
          label="Ticked"
          hint="It counts once the form is sent."
          checked={ticked}
          onChange={(event) => setTicked(event.target.checked)}
        />
        <Check label="Not now" checked={false} disabled readOnly />
        <Toggle label="Mail me when a guide is published" hint="It counts at once." on={on} onChange={setOn} />
        <Toggle label="On" on onChange={() => undefined} />
        <Toggle label="Not now" on={false} disabled onChange={() => undefined} />
      </Part>
      <Part name="One of a few">
        <Radios
          label="Where do they stand?"
          value={place}
          onChange={setPlace}
          options={[
            { value: 'bench', words: 'On the bench', more: <TextField label="Which one" defaultValue="Bench 2" /> },
            { value: 'cold', words: 'In the cold room', hint: 'Up to three days' },
            { value: 'field', words: 'Outside', disabled: true },
          ]}
        />
      </Part>
    </>
  )
}

function Finding() {
  const [found, setFound] = useState('basil')
  const [typed, setTyped] = useState('')
  const [herbs, setHerbs] = useState<{ id: string; words: string }[]>([{ id: 'Dill', words: 'Dill' }])
  const { found: suggestions, state } = useHerbs(typed.trim())
  return (
    <>
      <Part name="Finding">
        <FindForm className="gap-3" find={found} label="Words in titles" onFind={setFound} />
      </Part>
      <Part name="Finding while typing">
        <div className="max-w-80 flex">
          <Suggest
            label="Herb"
            placeholder="Part of a name"
            className="w-full min-h-10 px-3 border border-edge rounded-md"
            value={typed}
            {...{ suggestions, state }}
            onChange={setTyped}
            onPick={setTyped}
          />
        </div>
      </Part>
      <Part name="Several of many">
        <PickMany
          label="Herbs"
          placeholder="Part of a name"
          most={5}
          chosen={herbs}
          useFound={useHerbs}
          onAdd={(added) => setHerbs([...herbs, added])}
          onRemove={(id) => setHerbs(herbs.filter((each) => each.id !== id))}
        />
      </Part>
    </>
  )
}
