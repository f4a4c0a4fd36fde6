import { PersonFields, type PersonShown } from '@jackdaw/contracts/directory'
import type { PersonRef } from '@jackdaw/contracts/people'
import { LEVEL_PRESETS, type Level, type Permission } from '@jackdaw/core/people'
import type { GroupId, LocalDate, PersonId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { Button, ButtonLink, Check, Failed, Loaded, Select, showToast, TextField, TitleLine } from '../../ui'
import { useFormOf, type FormOf } from '../../ui/fields/useFormOf'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { GroupPicker } from '../GroupPicker'
import { useGroupRows } from '../groups/queries'
import { PersonPicker } from '../PersonPicker'
import { useMe } from '../session'
import { useAddPerson, useChangePerson, usePerson } from './queries'

/** Adds somebody. */
export function NewPersonPage() {
  const { t } = useTexts()
  const navigate = useNavigate()
  const add = useAddPerson()
  const me = useMe()
  const manages = me.permissions.includes('people.manage')
  return (
    <Sites>
      {(first) => (
        <PersonForm
          title={t('Add a person')}
          back="/people"
          begun={{
            ...{ name: '', mail: null, number: null, jobTitle: '', telephone: '', startedOn: null, siteId: first },
            ...{ managerId: manages ? null : me.id, groups: [], level: 'staff' },
          }}
          manager={manages ? null : { id: me.id, name: me.name }}
          send={add}
          yes={t('Add them')}
          onSend={(fields) =>
            add.mutate(fields, {
              onSuccess: ({ id }) => {
                showToast(t('{{name}} is added', { name: fields.name }))
                void navigate(`/people/${id}`, { replace: true })
              },
            })
          }
        />
      )}
    </Sites>
  )
}

/** The first site, once it is known. */
function Sites({ children }: { children: (first: GroupId) => React.ReactNode }) {
  const { t } = useTexts()
  return (
    <Loaded query={useGroupRows()}>
      {(groups) => {
        const first = groups.find((group) => group.kind === 'site')
        return first ? children(first.id) : <p className="p-6">{t('Make a site first: everybody has a place of work.')}</p>
      }}
    </Loaded>
  )
}

/** Changes what is said of somebody. */
export function EditPersonPage() {
  const { id } = useIds<{ id: PersonId }>()
  return <Loaded query={usePerson(id)}>{(person) => <Edit key={person.id} person={person} />}</Loaded>
}

function Edit({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const change = useChangePerson(person.id)
  const { managed } = person
  const [invites, setInvites] = useState(managed?.permissions.includes('people.invite') ?? false)
  if (!managed || !person.mayChange) return <p className="p-6">{t('You may not change this person.')}</p>
  return (
    <PersonForm
      title={t('Change {{name}}', { name: person.name })}
      back={`/people/${person.id}`}
      begun={{
        ...{ name: person.name, mail: managed.mail, number: managed.number, jobTitle: person.jobTitle, telephone: managed.telephone },
        ...{ startedOn: managed.startedOn, siteId: managed.siteId, managerId: person.manager?.id ?? null, level: managed.level },
        groups: person.groups.map((span) => span.group.id).filter((id) => id !== managed.siteId),
      }}
      manager={person.manager}
      send={change}
      yes={t('Save')}
      more={(level) =>
        !LEVEL_PRESETS[level].includes('people.invite') && (
          <Check label={t('May add people who report to them')} checked={invites} onChange={(event) => setInvites(event.target.checked)} />
        )
      }
      onSend={(fields) =>
        change.mutate(
          { ...fields, permissions: permissionsOf(managed.permissions, managed.level, fields.level, invites) },
          {
            onSuccess: () => {
              showToast(t('{{name}} is saved', { name: fields.name }))
              void navigate(`/people/${person.id}`, { replace: true })
            },
          },
        )
      }
    />
  )
}

/** What somebody holds: what comes with the level, what was given to them beside it, and whether they may add people. */
function permissionsOf(before: readonly Permission[], was: Level, level: Level, invites: boolean): Permission[] {
  const beside = before.filter((each) => !LEVEL_PRESETS[was].includes(each) && each !== 'people.invite')
  return [...new Set([...LEVEL_PRESETS[level], ...beside, ...(invites ? (['people.invite'] as const) : [])])]
}

type Send = { isPending: boolean; isError: boolean; error: unknown }
const orNothing = (text: string | null): string | null => (text?.trim() ? text.trim() : null)

function PersonForm({
  title,
  back,
  begun,
  manager,
  send,
  yes,
  more,
  onSend,
}: {
  title: string
  back: string
  begun: PersonFields
  manager: PersonRef | null
  send: Send
  yes: string
  /** What else is to be said, by the level that is chosen. */
  more?: (level: Level) => React.ReactNode
  onSend: (fields: PersonFields) => void
}) {
  const { t } = useTexts()
  const form = useFormOf(PersonFields, begun)
  const { register, faultOf, setValue, watch } = form
  const [reportsTo, setReportsTo] = useState(manager)
  const sites = (useGroupRows().data ?? []).filter((group) => group.kind === 'site')
  return (
    <form className="grow flex flex-col" noValidate onSubmit={form.sending(onSend)}>
      <title>{`${title} – Jackdaw`}</title>
      <TitleLine where={{ to: back, name: t('Back') }} title={title}>
        <ButtonLink to={back}>{t('Cancel')}</ButtonLink>
        <Button type="submit" look="primary" disabled={send.isPending}>
          {send.isPending ? t('Saving …') : yes}
        </Button>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-3xl grid sm:grid-cols-2 gap-x-6 gap-y-4">
          {send.isError && (
            <div className="sm:col-span-2">
              <Failed error={send.error} />
            </div>
          )}
          <WhoTheyAre form={form} />
          <Select label={t('Primary site')} {...register('siteId')} error={faultOf('siteId')}>
            {sites.map((site) => (
              <option key={site.id} value={site.id}>
                {site.name}
              </option>
            ))}
          </Select>
          <div>
            <LevelField value={watch('level')} onChange={(level) => setValue('level', level)} />
            {more?.(watch('level'))}
          </div>
          <PersonPicker
            label={t('Reports to')}
            chosen={reportsTo ? [reportsTo] : []}
            onChange={(people) => {
              const last = people.at(-1) ?? null
              setReportsTo(last)
              setValue('managerId', last?.id ?? null)
            }}
          />
          <GroupPicker label={t('Groups')} chosen={watch('groups')} onChange={(groups) => setValue('groups', groups)} />
        </div>
      </div>
    </form>
  )
}

/** What somebody is called, and where they are reached. */
function WhoTheyAre({ form: { register, faultOf } }: { form: FormOf<PersonFields> }) {
  const { t } = useTexts()
  const empty = { setValueAs: orNothing }
  return (
    <>
      <TextField label={t('Name')} autoFocus maxLength={300} {...register('name')} error={faultOf('name')} />
      <TextField label={t('Job title')} maxLength={120} {...register('jobTitle')} error={faultOf('jobTitle')} />
      <TextField
        label={t('Mail address')}
        type="email"
        maxLength={254}
        hint={t('Without one they sign in with their number.')}
        {...register('mail', empty)}
        error={faultOf('mail')}
      />
      <TextField label={t('Personnel number')} maxLength={40} {...register('number', empty)} error={faultOf('number')} />
      <TextField label={t('Telephone')} type="tel" maxLength={60} {...register('telephone')} error={faultOf('telephone')} />
      <TextField
        label={t('First day at work')}
        type="date"
        {...register('startedOn', { setValueAs: (value: string | null) => (value ? (value as LocalDate) : null) })}
        error={faultOf('startedOn')}
      />
    </>
  )
}

/** The permission level; those are offered that one may give. */
function LevelField({ value, onChange }: { value: Level; onChange: (level: Level) => void }) {
  const { t } = useTexts()
  const mine = new Set(useMe().permissions)
  const words: Record<Level, string> = {
    staff: t('Staff: reads what is theirs'),
    author: t('Author: writes guides'),
    lead: t('Lead: content, people, all records'),
    admin: t('Admin: everything'),
  }
  const levels: Level[] = ['staff', 'author', 'lead', 'admin']
  return (
    <Select label={t('Level')} value={value} onChange={(event) => onChange(event.target.value as Level)}>
      {levels.map((level) => (
        <option key={level} value={level} disabled={level !== value && !LEVEL_PRESETS[level].every((permission) => mine.has(permission))}>
          {words[level]}
        </option>
      ))}
    </Select>
  )
}
