import type { PersonShown } from '@jackdaw/contracts/directory'
import type { PersonRef } from '@jackdaw/contracts/people'
import type { GroupId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, Select, showToast } from '../../ui'
import { FormDialog } from '../../ui/over/FormDialog'
import { useTexts } from '../../ui/words/texts'
import { GroupPicker } from '../GroupPicker'
import { useGroupRows } from '../groups/queries'
import { PersonPicker } from '../PersonPicker'
import { useLeavePerson, useReturnPerson } from './queries'

/** Somebody leaves: says what happens, and to whom those go who report to them. */
export function LeavingButton({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const [open, setOpen] = useState(false)
  const [next, setNext] = useState<PersonRef | null>(person.manager)
  const leave = useLeavePerson(person.id)
  return (
    <>
      <Button onClick={() => setOpen(true)}>{t('They leave')}</Button>
      {open && (
        <FormDialog
          title={t('{{name}} leaves', { name: person.name })}
          about={t('They can do nothing more here from now on. Their records stay, and they can return.')}
          yes={t('End their access')}
          send={leave}
          onSubmit={(event) => {
            event.preventDefault()
            leave.mutate(
              { reportsTo: person.reports.length > 0 ? (next?.id ?? null) : null },
              {
                onSuccess: () => {
                  setOpen(false)
                  showToast(t('{{name}} has left', { name: person.name }))
                },
              },
            )
          }}
          onClose={() => setOpen(false)}
        >
          {person.reports.length > 0 && (
            <PersonPicker
              label={t('{{count}} people report to them. To whom do they report now?', { count: person.reports.length })}
              chosen={next ? [next] : []}
              onChange={(people) => setNext(people.at(-1) ?? null)}
            />
          )}
        </FormDialog>
      )}
    </>
  )
}

/** Somebody returns: into which groups, at which site, and to whom they report. */
export function ReturnButton({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const [open, setOpen] = useState(false)
  const sites = (useGroupRows().data ?? []).filter((group) => group.kind === 'site')
  const last = person.past.filter((span) => span.until === person.past[0]?.until && !span.group.closed)
  const [site, setSite] = useState<GroupId | ''>(last.find((span) => span.group.kind === 'site')?.group.id ?? '')
  const [groups, setGroups] = useState<GroupId[]>(last.filter((span) => span.group.kind !== 'site').map((span) => span.group.id))
  const [manager, setManager] = useState<PersonRef | null>(person.manager)
  const back = useReturnPerson(person.id)
  return (
    <>
      <Button look="primary" onClick={() => setOpen(true)}>
        {t('They return')}
      </Button>
      {open && (
        <FormDialog
          title={t('{{name}} returns', { name: person.name })}
          about={t('Their records, guides and drafts are as they were. Groups begin anew.')}
          yes={t('Let them return')}
          send={back}
          onSubmit={(event) => {
            event.preventDefault()
            const siteId = site || sites[0]?.id
            if (!siteId) return
            back.mutate(
              { siteId, groups, managerId: manager?.id ?? null },
              {
                onSuccess: () => {
                  setOpen(false)
                  showToast(t('{{name}} is back', { name: person.name }))
                },
              },
            )
          }}
          onClose={() => setOpen(false)}
        >
          <Select
            label={t('Primary site')}
            value={site || (sites[0]?.id ?? '')}
            onChange={(event) => setSite(event.target.value as GroupId)}
          >
            {sites.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </Select>
          <GroupPicker label={t('Groups')} chosen={groups} onChange={setGroups} />
          <PersonPicker
            label={t('Reports to')}
            chosen={manager ? [manager] : []}
            onChange={(people) => setManager(people.at(-1) ?? null)}
          />
        </FormDialog>
      )}
    </>
  )
}
