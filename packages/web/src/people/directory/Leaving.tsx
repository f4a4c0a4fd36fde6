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
import { useWriters } from '../session'
import { useHoldings, useLeavePerson, useReturnPerson } from './queries'

/** Somebody leaves: says what happens, and to whom go those who report to them and what they wrote. */
export function LeavingButton({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button onClick={() => setOpen(true)}>{t('They leave')}</Button>
      {open && <LeavingDialog person={person} onClose={() => setOpen(false)} />}
    </>
  )
}

function LeavingDialog({ person, onClose }: { person: PersonShown; onClose: () => void }) {
  const { t } = useTexts()
  const [next, setNext] = useState<PersonRef | null>(person.manager)
  const [writer, setWriter] = useState('')
  const leave = useLeavePerson(person.id)
  const holdings = useHoldings(person.id)
  const writers = (useWriters().data ?? []).filter((each) => each.id !== person.id)
  const guides = holdings.data?.guides ?? 0
  return (
    <FormDialog
      title={t('{{name}} leaves', { name: person.name })}
      about={t('They can do nothing more here from now on. Their records stay, and they can return.')}
      yes={t('End their access')}
      send={holdings.isError ? holdings : leave}
      ready={holdings.data !== undefined}
      onSubmit={(event) => {
        event.preventDefault()
        leave.mutate(
          {
            reportsTo: person.reports.length > 0 ? (next?.id ?? null) : null,
            guidesTo: guides > 0 && writer ? (writer as PersonRef['id']) : null,
          },
          {
            onSuccess: () => {
              onClose()
              showToast(t('{{name}} has left', { name: person.name }))
            },
          },
        )
      }}
      onClose={onClose}
    >
      {person.reports.length > 0 && (
        <PersonPicker
          label={t('{{count}} people report to them. To whom do they report now?', { count: person.reports.length })}
          chosen={next ? [next] : []}
          onChange={(people) => setNext(people.at(-1) ?? null)}
        />
      )}
      {guides > 0 && (
        <Select
          label={t('They own {{count}} guides and drafts. Whose are they now?', { count: guides })}
          hint={t('Whoever returns gets back what is still with them.')}
          value={writer}
          onChange={(event) => setWriter(event.target.value)}
        >
          <option value="">{t('They stay theirs')}</option>
          {writers.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </Select>
      )}
    </FormDialog>
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
  const siteId = site || sites[0]?.id
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
          ready={siteId !== undefined}
          onSubmit={(event) => {
            event.preventDefault()
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
          <Select label={t('Primary site')} value={siteId ?? ''} onChange={(event) => setSite(event.target.value as GroupId)}>
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
