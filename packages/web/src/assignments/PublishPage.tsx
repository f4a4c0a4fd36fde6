import type { Publication, Reached } from '@jackdaw/contracts/publishing'
import type { DueRule } from '@jackdaw/core/assignments'
import type { AudienceRule } from '@jackdaw/core/audiences'
import type { GuideId, LocalDate, PersonId, RoleId, TeamId } from '@jackdaw/core/shared'
import { X } from 'lucide-react'
import { useDeferredValue, useState, type ReactNode } from 'react'
import { useTranslation } from 'react-i18next'
import { Link, useParams } from 'react-router'
import { useGroups, usePeople } from '../people'
import { Button, ButtonLink, Check, Failed, Loaded, Message, momentOf, TextArea, TitleLine, Waiting } from '../ui'
import { useAudiencePreview, usePublication, usePublish } from './queries'

export function PublishPage() {
  const { id } = useParams() as { id: GuideId }
  const query = usePublication(id)
  return <Loaded query={query}>{(publication) => <PublishForm key={publication.revision} id={id} publication={publication} />}</Loaded>
}

const toggled = <T,>(list: readonly T[], entry: T): T[] => (list.includes(entry) ? list.filter((each) => each !== entry) : [...list, entry])

function PublishForm({ id, publication }: { id: GuideId; publication: Publication }) {
  const { t } = useTranslation()
  const publish = usePublish(id)
  const [audience, setAudience] = useState<AudienceRule>(publication.audience)
  const [openToAll, setOpenToAll] = useState(publication.openToAll)
  const [due, setDue] = useState<DueRule>(publication.due)
  const [changeNote, setChangeNote] = useState('')
  const [mustReread, setMustReread] = useState(false)
  const preview = useAudiencePreview(id, audience)
  const newest = publication.editions[0]
  const next = publication.changedSinceEdition ? (newest?.number ?? 0) + 1 : newest!.number
  const people = preview.data?.people ?? []
  const noteMissing = newest !== undefined && publication.changedSinceEdition && changeNote.trim() === ''
  const nobody = people.length === 0 && !openToAll
  const blocked = publication.findings.length > 0 || publication.archived || preview.isPending || preview.isPlaceholderData || nobody || noteMissing || (due.kind === 'date' && !/^\d{4}-\d{2}-\d{2}$/.test(due.date))
  const done = people.filter((person) => person.now === 'done').length

  if (publish.isSuccess)
    return (
      <div className="p-6 max-w-2xl space-y-4">
        <Message tone="good" title={t('Edition {{n}} is published', { n: publish.data.edition })}>{t('{{count}} people', { count: publish.data.people })} {t('find it on their page Today.')}{openToAll && ` ${t('Everybody else finds it in the library.')}`}</Message>
        <div className="flex flex-wrap gap-2"><ButtonLink look="primary" to={`/records/guides/${id}`}>{t('Who finished')}</ButtonLink><ButtonLink to={`/guides/${id}`}>{t('Read it')}</ButtonLink><ButtonLink to={`/guides/${id}/edit`}>{t('Go on writing')}</ButtonLink><ButtonLink to="/library">{t('Library')}</ButtonLink></div>
      </div>
    )
  const action = people.length > 0 ? t('Publish to {{count}} people', { count: people.length }) : t('Publish, open to all')
  return (
    <form
      className="grow flex flex-col"
      onSubmit={(event) => {
        event.preventDefault()
        if (!blocked && !publish.isPending) publish.mutate({ revision: publication.revision, changeNote, mustReread: newest !== undefined && publication.changedSinceEdition && mustReread, audience, openToAll, due })
      }}
    >
      <title>{`${t('Publish')} – ${publication.title} – Jackdaw`}</title>
      <TitleLine where={{ to: `/guides/${id}/edit`, name: t('Guide {{n}}', { n: publication.number }) }} title={t('Publish “{{title}}”', { title: publication.title })} state={publication.changedSinceEdition ? t('This becomes edition {{n}}. It is frozen as it is now; the draft can go on.', { n: next }) : t('The draft is the same as edition {{n}}. Publishing only changes who gets it.', { n: next })}>
        <Button type="submit" look="primary" className="min-h-10" disabled={blocked || publish.isPending}>{publish.isPending ? t('Publishing …') : action}</Button>
      </TitleLine>
      <div className="grow grid lg:grid-cols-[minmax(0,1fr)_400px] border-t border-hair">
        <div className="bg-sheet px-4 md:px-6 py-5 space-y-7 min-w-0">
          {publish.isError && <Failed error={publish.error} />}
          {publication.archived && <Message tone="warn" title={t('The guide is archived. Take it out of the archive to publish it.')} />}
          {publication.findings.length > 0 && <Findings id={id} publication={publication} />}
          {newest && publication.changedSinceEdition && (
            <Part title={t('What has changed')}>
              <TextArea label={t('Change note')} rows={2} maxLength={1000} value={changeNote} onChange={(event) => setChangeNote(event.target.value)} hint={t('Readers see it when they open the new edition.')} />
              <div className="mt-3"><Check checked={mustReread} onChange={(event) => setMustReread(event.target.checked)} label={t('Those who are done must read the new edition')} hint={done > 0 ? (mustReread ? t('{{count}} people who are done', { count: done }) + ' ' + t('get it again, with a new date.') : t('{{count}} people who are done', { count: done }) + ' ' + t('stay done.')) : t('Nobody is done yet.')} /></div>
            </Part>
          )}
          <Part title={t('Who gets it')}><AudienceFields audience={audience} onChange={setAudience} named={publication.named} /><div className="mt-4"><Check checked={openToAll} onChange={(event) => setOpenToAll(event.target.checked)} label={t('Open to all')} hint={t('Everyone in the company finds it in the library, also those who are not given it.')} /></div></Part>
          <Part title={t('Until when')}><DueFields due={due} onChange={setDue} /></Part>
          {publication.editions.length > 0 && (
            <Part title={t('Editions so far')}>
              <ul className="text-sm">{publication.editions.map((edition) => <li key={edition.number} className="py-1.5 border-b border-hair"><strong>{t('Edition {{n}}', { n: edition.number })}</strong> · {momentOf(edition.publishedAt)} · {edition.publishedBy.name}{edition.mustReread && ` · ${t('had to be read again')}`}<span className="block text-soft">{edition.changeNote}</span></li>)}</ul>
            </Part>
          )}
        </div>
        <aside className="px-4 md:px-6 py-5 border-l border-hair" aria-live="polite">
          <ReachedList people={people} leaving={preview.data?.leaving ?? []} pending={preview.isPending} fresh={!preview.isPlaceholderData} error={preview.error} mustReread={mustReread} due={due} openToAll={openToAll} />
          {noteMissing && <p className="text-sm text-ochre mt-3">{t('Write what has changed before you publish.')}</p>}
        </aside>
      </div>
    </form>
  )
}

const Part = ({ title, children }: { title: string; children: ReactNode }) => <section><h2 className="text-lg border-b-2 border-ink mb-3">{title}</h2>{children}</section>

function Findings({ id, publication }: { id: GuideId; publication: Publication }) {
  const { t } = useTranslation()
  const words = { 'no-title': t('The guide has no title.'), 'no-steps': t('The guide has no steps.'), 'empty-step': t('A step has neither words nor pictures.') }
  return (
    <Message tone="warn" title={t('Before it can be published')}>
      <ul className="list-disc pl-5">{publication.findings.map((finding, index) => <li key={index}>{words[finding.reason]}</li>)}</ul>
      <Link className="text-petrol underline" to={`/guides/${id}/edit`}>{t('Back to the draft')}</Link>
    </Message>
  )
}

function AudienceFields({ audience, onChange, named }: { audience: AudienceRule; onChange: (audience: AudienceRule) => void; named: Publication['named'] }) {
  const { t } = useTranslation()
  const groups = useGroups()
  return (
    <div className="grid sm:grid-cols-2 gap-x-6 gap-y-5">
      <Loaded query={groups}>
        {({ teams, roles }) => (
          <>
            <fieldset><legend className="text-sm font-semibold mb-1">{t('Teams')}</legend>{teams.map((team) => <Check key={team.id} checked={audience.teams.includes(team.id)} onChange={() => onChange({ ...audience, teams: toggled<TeamId>(audience.teams, team.id) })} label={<>{team.name} <span className="text-soft">({team.people})</span></>} />)}</fieldset>
            <fieldset><legend className="text-sm font-semibold mb-1">{t('Roles')}</legend>{roles.map((role) => <Check key={role.id} checked={audience.roles.includes(role.id)} onChange={() => onChange({ ...audience, roles: toggled<RoleId>(audience.roles, role.id) })} label={<>{role.name} <span className="text-soft">({role.people})</span></>} />)}</fieldset>
          </>
        )}
      </Loaded>
      <div className="sm:col-span-2"><PeopleField chosen={audience.people} named={named} onChange={(people) => onChange({ ...audience, people })} /></div>
    </div>
  )
}

function PeopleField({ chosen, named, onChange }: { chosen: readonly PersonId[]; named: Publication['named']; onChange: (people: PersonId[]) => void }) {
  const { t } = useTranslation()
  const [find, setFind] = useState('')
  const wanted = useDeferredValue(find.trim())
  const people = usePeople(wanted)
  const [names, setNames] = useState(() => new Map<PersonId, string>(named.map((person) => [person.id, person.name])))
  const hits = wanted === '' || find.trim() === '' ? [] : (people.data ?? []).filter((person) => !chosen.includes(person.id)).slice(0, 6)
  const add = (person: { id: PersonId; name: string }) => {
    setNames((now) => new Map(now).set(person.id, person.name))
    onChange([...chosen, person.id])
    setFind('')
  }
  return (
    <div>
      <label className="block text-sm font-semibold mb-1" htmlFor="people-find">{t('Single people')}</label>
      <ul className="flex flex-wrap gap-1.5 mb-1.5">{chosen.map((id) => <li key={id} className="inline-flex items-center bg-wash pl-2"><span>{names.get(id) ?? '…'}</span><button type="button" className="size-8 flex items-center justify-center" aria-label={t('Take out {{name}}', { name: names.get(id) })} onClick={() => onChange(chosen.filter((each) => each !== id))}><X size={14} aria-hidden /></button></li>)}</ul>
      <input id="people-find" value={find} onChange={(event) => setFind(event.target.value)} autoComplete="off" placeholder={t('Part of a name')} className="w-full max-w-80 min-h-10 px-3 border border-edge rounded-md" onKeyDown={(event) => { if (event.key === 'Enter') { event.preventDefault(); if (hits[0]) add(hits[0]) } }} />
      {hits.length > 0 && <ul className="border border-edge max-w-80 bg-sheet" aria-label={t('People found')}>{hits.map((person) => <li key={person.id}><button type="button" className="w-full text-left px-3 min-h-10 hover:bg-wash" onClick={() => add(person)}>{person.name} <span className="text-soft text-sm">{person.department}, {person.site}</span></button></li>)}</ul>}
      {wanted !== '' && find.trim() !== '' && people.data && !people.isPlaceholderData && hits.length === 0 && <p className="text-sm text-soft mt-1">{t('Nobody of that name is left to add.')}</p>}
    </div>
  )
}

function DueFields({ due, onChange }: { due: DueRule; onChange: (due: DueRule) => void }) {
  const { t } = useTranslation()
  const radio = 'size-[18px] accent-petrol'
  return (
    <fieldset className="space-y-2">
      <legend className="sr-only">{t('Until when')}</legend>
      <div className="flex items-center gap-2 flex-wrap"><label className="flex items-center gap-2"><input type="radio" name="due" className={radio} checked={due.kind === 'days'} onChange={() => onChange({ kind: 'days', days: 14 })} />{t('Within')}</label><input type="number" min={1} max={730} aria-label={t('Days')} className="w-20 min-h-9 px-2 border border-edge rounded-md" value={due.kind === 'days' ? due.days : 14} disabled={due.kind !== 'days'} onChange={(event) => onChange({ kind: 'days', days: Math.min(730, Math.max(1, Math.round(Number(event.target.value)) || 1)) })} /><span>{t('days from the day on which somebody gets it')}</span></div>
      <div className="flex items-center gap-2 flex-wrap"><label className="flex items-center gap-2"><input type="radio" name="due" className={radio} checked={due.kind === 'date'} onChange={() => onChange({ kind: 'date', date: new Date(Date.now() + 14 * 86_400_000).toISOString().slice(0, 10) as LocalDate })} />{t('On a date')}</label>{due.kind === 'date' && <input type="date" aria-label={t('Due date')} required className="min-h-9 px-2 border border-edge rounded-md" value={due.date} onChange={(event) => onChange({ kind: 'date', date: event.target.value as LocalDate })} />}</div>
      <label className="flex items-center gap-2"><input type="radio" name="due" className={radio} checked={due.kind === 'none'} onChange={() => onChange({ kind: 'none' })} />{t('No date')}</label>
      <p className="text-sm text-soft">{t('A day ends at midnight where the person works. Whoever has the guide already keeps their date.')}</p>
    </fieldset>
  )
}

function ReachedList({ people, leaving, pending, fresh, error, mustReread, due, openToAll }: { people: Reached[]; leaving: { id: string; name: string }[]; pending: boolean; fresh: boolean; error: unknown; mustReread: boolean; due: DueRule; openToAll: boolean }) {
  const { t } = useTranslation()
  if (error) return <Failed error={error} />
  if (pending) return <Waiting />
  const now = { new: t('new'), 'not-done': t('has it, not done'), done: mustReread ? t('done; reads it again') : t('done; stays done') }
  const count = (state: Reached['now']) => people.filter((person) => person.now === state).length
  return (
    <div className={fresh ? '' : 'opacity-60'}>
      <h2 className="text-lg">{t('{{count}} people', { count: people.length })}</h2>
      <p className="text-sm text-soft mb-2">
        {people.length === 0 ? (openToAll ? t('Nobody is given it; everyone may read it.') : t('Choose teams, roles or people, or open it to all.')) : [count('new') > 0 && `${count('new')} ${t('new')}`, count('not-done') > 0 && `${count('not-done')} ${t('have it and are not done')}`, count('done') > 0 && `${count('done')} ${mustReread ? t('done, will read it again') : t('done, stay done')}`].filter(Boolean).join(' · ')}
        {people.length > 0 && due.kind === 'days' && ` · ${t('new ones have {{days}} days', { days: due.days })}`}
      </p>
      {leaving.length > 0 && <div className="mb-3"><Message tone="warn" title={t('{{count}} people', { count: leaving.length }) + ' ' + t('will no longer have it')}>{leaving.map((person) => person.name).join(', ')}</Message></div>}
      <ul className="text-sm max-h-[60vh] overflow-auto border-t border-hair" tabIndex={0} aria-label={t('Who gets it')}>{people.map((person) => <li key={person.id} className="py-1.5 border-b border-hair"><span className="font-semibold">{person.name}</span> <span className="text-soft">{person.site}</span><span className="float-right">{now[person.now]}</span><span className="block text-xs text-soft">{person.why.map((why) => (why === 'named' ? t('named') : why)).join(', ')}</span></li>)}</ul>
    </div>
  )
}
