import type { GroupRow } from '@jackdaw/contracts/groups'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { Select, showToast, TextField } from '../../ui'
import { FormDialog } from '../../ui/over/FormDialog'
import { useTexts } from '../../ui/words/texts'
import { kindWords } from '../kindWords'
import { useAddGroup, useAddGroupKind, useGroupKinds } from './queries'

/** Makes a group. */
export function AddGroup({ onClose }: { onClose: () => void }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const kinds = useGroupKinds().data ?? []
  const add = useAddGroup()
  const [kind, setKind] = useState('team')
  const [name, setName] = useState('')
  const [zone, setZone] = useState(Intl.DateTimeFormat().resolvedOptions().timeZone)
  return (
    <FormDialog
      title={t('Add a group')}
      yes={t('Add it')}
      send={add}
      onSubmit={(event) => {
        event.preventDefault()
        add.mutate(
          { kind: kind as GroupRow['kind'], name, about: '', zone: kind === 'site' ? zone : null, leaderId: null },
          {
            onSuccess: ({ id }) => {
              showToast(t('“{{name}}” is added', { name }))
              void navigate(`/people/groups/${id}`)
            },
          },
        )
      }}
      onClose={onClose}
    >
      <TextField label={t('Name')} value={name} maxLength={120} required onChange={(event) => setName(event.target.value)} />
      <Select label={t('Kind')} value={kind} onChange={(event) => setKind(event.target.value)}>
        {kinds.map((each) => (
          <option key={each.id} value={each.id}>
            {kindWords({ kind: each.id, kindName: each.name }, t)}
          </option>
        ))}
      </Select>
      {kind === 'site' && <ZoneField zone={zone} onChange={setZone} />}
    </FormDialog>
  )
}

/** The time zone of a site: days end there at midnight. */
export function ZoneField({ zone, onChange }: { zone: string; onChange: (zone: string) => void }) {
  const { t } = useTexts()
  const zones = Intl.supportedValuesOf('timeZone')
  return (
    <Select label={t('Time zone')} hint={t('Days end at midnight there.')} value={zone} onChange={(event) => onChange(event.target.value)}>
      {(zones.includes(zone) ? zones : [zone, ...zones]).map((each) => (
        <option key={each}>{each}</option>
      ))}
    </Select>
  )
}

/** Makes a kind of groups. */
export function AddKind({ onClose }: { onClose: () => void }) {
  const { t } = useTexts()
  const add = useAddGroupKind()
  const [name, setName] = useState('')
  return (
    <FormDialog
      title={t('Add a kind of groups')}
      about={t(
        'For sets of people that are neither sites, departments, teams nor roles: first aiders, an apprentice year, a works council.',
      )}
      yes={t('Add it')}
      send={add}
      onSubmit={(event) => {
        event.preventDefault()
        add.mutate(name.trim(), {
          onSuccess: () => {
            showToast(t('The kind “{{name}}” is there; groups can be added to it', { name: name.trim() }))
            onClose()
          },
        })
      }}
      onClose={onClose}
    >
      <TextField label={t('Name')} value={name} maxLength={60} required onChange={(event) => setName(event.target.value)} />
    </FormDialog>
  )
}
