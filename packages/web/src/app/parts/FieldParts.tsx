import { useState } from 'react'
import { Check, Choices, FindForm, Select, TextArea, TextField } from '../../ui'
import { Part } from './Part'

export function FieldParts() {
  const [ticked, setTicked] = useState(true)
  const [found, setFound] = useState('basil')
  const [side, setSide] = useState<'all' | 'late'>('all')
  return (
    <>
      <Part name="Fields">
        <TextField label="Title" defaultValue="Water the seed trays" />
        <TextField label="With a hint" hint="What people look for comes first." placeholder="Nothing yet" />
        <TextField label="Refused" defaultValue="?" error="A title has letters in it. What you wrote is kept." />
        <TextField label="Cannot be changed" defaultValue="Edition 3" disabled />
        <TextField label="A day" type="date" defaultValue="2026-11-03" />
        <TextField label="A number" type="number" inputMode="numeric" defaultValue={24} />
        <TextArea label="Longer words" rows={3} defaultValue="Fog, do not pour." />
        <Select label="One of many" defaultValue="b">
          <option value="a">Brookside</option>
          <option value="b">Larkmoor</option>
        </Select>
        <Check label="Yes or no" checked={ticked} onChange={(event) => setTicked(event.target.checked)} />
        <Check label="Not now" checked={false} disabled readOnly />
      </Part>
      <Part name="Finding">
        <FindForm className="gap-3" find={found} label="Words in titles" onFind={setFound} />
      </Part>
      <Part name="One of a few">
        <Choices
          label="Which"
          chosen={side}
          onChoose={setSide}
          options={[
            { value: 'all', words: 'All', n: 12 },
            { value: 'late', words: 'Late', n: 3 },
          ]}
        />
      </Part>
    </>
  )
}
