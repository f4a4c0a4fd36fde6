import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { getGroup } from '@jackdaw/contracts/groups'
import type { GroupId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Select, TextArea, TextField } from '../../ui'
import { FormDialog } from '../../ui/over/FormDialog'
import { useTexts } from '../../ui/words/texts'
import { PersonPicker } from '../PersonPicker'
import { ZoneField } from './AddGroup'
import { useChangeGroup, useCloseGroup, useGroupRows } from './queries'

type Group = ResponseOf<typeof getGroup>

/** Changes what a group is said to be. */
export function ChangeGroup({ group, onClose }: { group: Group; onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeGroup(group.id)
  const [name, setName] = useState(group.name)
  const [about, setAbout] = useState(group.about)
  const [zone, setZone] = useState(group.zone)
  const [leader, setLeader] = useState(group.leader)
  return (
    <FormDialog
      title={t('Change {{name}}', { name: group.name })}
      yes={t('Save')}
      send={change}
      onSubmit={(event) => {
        event.preventDefault()
        change.mutate({ name, about, zone, leaderId: leader?.id ?? null }, { onSuccess: onClose })
      }}
      onClose={onClose}
    >
      <TextField label={t('Name')} value={name} maxLength={120} required onChange={(event) => setName(event.target.value)} />
      <TextArea label={t('What it is')} rows={3} value={about} maxLength={2000} onChange={(event) => setAbout(event.target.value)} />
      <PersonPicker label={t('Led by')} chosen={leader ? [leader] : []} onChange={(people) => setLeader(people.at(-1) ?? null)} />
      {zone !== null && <ZoneField zone={zone} onChange={setZone} />}
    </FormDialog>
  )
}

/** Closes a group; says what goes with it. */
export function CloseGroup({ group, onClose }: { group: Group; onClose: () => void }) {
  const { t } = useTexts()
  const close = useCloseGroup(group.id)
  const sites = (useGroupRows().data ?? []).filter((each) => each.kind === 'site' && each.id !== group.id)
  const [moveTo, setMoveTo] = useState<GroupId | ''>('')
  return (
    <FormDialog
      title={t('Close {{name}}?', { name: group.name })}
      about={t(
        '{{count}} people are in it and will not be any more: what they are given because of it goes. That they were in it stays known.',
        { count: group.people },
      )}
      yes={t('Close it')}
      send={close}
      onSubmit={(event) => {
        event.preventDefault()
        close.mutate({ moveTo: moveTo || null }, { onSuccess: onClose })
      }}
      onClose={onClose}
    >
      {group.kind === 'site' && (
        <Select
          label={t('To which site do its people go?')}
          value={moveTo}
          onChange={(event) => setMoveTo(event.target.value as GroupId | '')}
        >
          <option value="">{t('Choose one')}</option>
          {sites.map((site) => (
            <option key={site.id} value={site.id}>
              {site.name}
            </option>
          ))}
        </Select>
      )}
    </FormDialog>
  )
}
