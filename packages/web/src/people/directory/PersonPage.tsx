import type { DutyShown, PersonShown } from '@jackdaw/contracts/directory'
import type { PersonId } from '@jackdaw/core/shared'
import { Mail, Phone } from 'lucide-react'
import type { ReactNode } from 'react'
import { ButtonLink, dayAndYearOf, Loaded, Message, TextLink, TitleLine } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { InvitationPart } from '../account/InvitationPart'
import { Face } from '../Face'
import { kindWords } from '../kindWords'
import { PeopleTabs } from '../PeopleTabs'
import { useMe } from '../session'
import { Absences } from './Absences'
import { LeavingButton, ReturnButton } from './Leaving'
import { OwnFacts } from './OwnFacts'
import { usePerson } from './queries'

/** One person's page: who they are, to whom they report, the groups that they are and were in, their duties.
 * @param reports who reports to them, with what waits */
export function PersonPage({ reports }: { reports?: (person: PersonShown) => ReactNode }) {
  const { id } = useIds<{ id: PersonId }>()
  return <Loaded query={usePerson(id)}>{(person) => <Shown person={person} reports={reports} />}</Loaded>
}

function Shown({ person, reports }: { person: PersonShown; reports: ((person: PersonShown) => ReactNode) | undefined }) {
  const { t } = useTexts()
  const me = useMe()
  const mine = me.id === person.id
  return (
    <>
      <title>{`${person.name} – Jackdaw`}</title>
      <TitleLine where={{ to: '/people', name: t('People') }} title={person.name} state={person.jobTitle}>
        {person.maySeeRecords && <ButtonLink to={`/records/people/${person.id}`}>{t('Records')}</ButtonLink>}
        {person.active && (me.permissions.includes('guides.all') || me.permissions.includes('guides.publish')) && (
          <ButtonLink to={`/people/${person.id}/give`}>{t('Give something')}</ButtonLink>
        )}
        {person.active && !mine && me.permissions.includes('guides.all') && (
          <ButtonLink to={`/people/${person.id}/look`}>{t('As they find it')}</ButtonLink>
        )}
        {person.mayChange && person.active && <ButtonLink to={`/people/${person.id}/edit`}>{t('Change')}</ButtonLink>}
        {person.mayChange && person.active && !mine && <LeavingButton person={person} />}
        {person.mayChange && !person.active && <ReturnButton person={person} />}
      </TitleLine>
      <PeopleTabs />
      <div className="bg-sheet grow px-4 md:px-6 py-5 grid lg:grid-cols-[minmax(0,1fr)_320px] gap-x-10 gap-y-6 content-start">
        <div className="space-y-7 min-w-0">
          {!person.active && <Message tone="warn" title={t('{{name}} does not work here any more', { name: person.name })} />}
          <Contact person={person} mine={mine} />
          <Part title={t('Groups')}>
            <Groups person={person} />
          </Part>
          {person.duties.length > 0 && (
            <Part title={t('Duties')}>
              <Duties duties={person.duties} byGroup />
            </Part>
          )}
        </div>
        <aside className="space-y-6">
          {person.managed && <Managed person={person} managed={person.managed} />}
          {person.active && !mine && (person.mayInvite || person.mayGivePassword) && <InvitationPart person={person} />}
          {person.active && <Absences person={person} />}
          {reports?.(person)}
        </aside>
      </div>
    </>
  )
}

export const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section>
    <h2 className="text-lg border-b-2 border-ink mb-2">{title}</h2>
    {children}
  </section>
)

function Contact({ person, mine }: { person: PersonShown; mine: boolean }) {
  const { t } = useTexts()
  return (
    <div className="flex flex-wrap gap-5 items-start">
      <Face id={person.id} name={person.name} face={person.face} size="large" />
      <div className="space-y-1 min-w-0 [overflow-wrap:anywhere]">
        {person.telephone && (
          <a
            className="flex items-center gap-2 text-petrol hover:underline min-h-8"
            href={`tel:${person.telephone.replace(/[^+\d]/g, '')}`}
          >
            <Phone size={16} aria-hidden />
            {person.telephone}
          </a>
        )}
        {person.mail && (
          <a className="flex items-center gap-2 text-petrol hover:underline min-h-8" href={`mailto:${person.mail}`}>
            <Mail size={16} aria-hidden />
            {person.mail}
          </a>
        )}
        {!person.telephone && !person.mail && <p className="text-soft">{t('No telephone number or mail address is shown.')}</p>}
        {person.manager ? (
          <p>
            {t('Reports to')} <TextLink to={`/people/${person.manager.id}`}>{person.manager.name}</TextLink>
          </p>
        ) : (
          person.active && <p className="text-soft">{t('Reports to nobody')}</p>
        )}
        {person.active && <TextLink to={`/people/chart?at=${person.id}`}>{t('Show in the org chart')}</TextLink>}
        {mine && <OwnFacts person={person} />}
      </div>
    </div>
  )
}

/** In which groups somebody is, since when; and in which they were. */
function Groups({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const line = ({ group, since, until }: PersonShown['groups'][number]) => (
    <li key={`${group.id} ${since} ${until}`} className="py-1.5 border-b border-hair flex flex-wrap gap-x-3">
      <span className="w-28 text-soft shrink-0">{kindWords(group, t)}</span>
      <TextLink to={`/people/groups/${group.id}`}>{group.name}</TextLink>
      <span className="text-soft ml-auto tabular-nums">
        {until === null
          ? t('since {{day}}', { day: dayAndYearOf(since) })
          : t('{{from}} to {{until}}', { from: dayAndYearOf(since), until: dayAndYearOf(until) })}
      </span>
    </li>
  )
  return (
    <>
      {person.groups.length === 0 ? <p className="text-soft">{t('In no group.')}</p> : <ul>{person.groups.map(line)}</ul>}
      {person.past.length > 0 && (
        <details className="mt-2">
          <summary className="cursor-pointer text-petrol">{t('Before: {{count}} groups', { count: person.past.length })}</summary>
          <ul>{person.past.map(line)}</ul>
        </details>
      )}
    </>
  )
}

/** Duties with the guides that tell how; one without a guide is shown as a gap. */
export function Duties({ duties, byGroup = false }: { duties: readonly DutyShown[]; byGroup?: boolean }) {
  const { t } = useTexts()
  return (
    <ul>
      {duties.map((duty, index) => (
        <li key={index} className="py-2 border-b border-hair">
          <span className="font-semibold">{duty.title}</span>
          {byGroup && <span className="text-soft"> · {duty.group.name}</span>}
          {duty.about && <span className="block text-sm">{duty.about}</span>}
          <span className="block text-sm">
            {duty.guides.map((guide, at) => (
              <span key={guide.id}>
                {at > 0 && ', '}
                <TextLink to={`/guides/${guide.id}`}>{guide.title}</TextLink>
              </span>
            ))}
            {duty.gap && (
              <span className="text-ochre">
                <span aria-hidden>◇ </span>
                {t('No guide tells how yet')}
              </span>
            )}
          </span>
        </li>
      ))}
    </ul>
  )
}

/** What those who may change people know besides. */
function Managed({ person, managed }: { person: PersonShown; managed: NonNullable<PersonShown['managed']> }) {
  const { t } = useTexts()
  const levels = { admin: t('Admin'), lead: t('Lead'), author: t('Author'), staff: t('Staff') }
  const rows: [string, ReactNode][] = [
    [t('Number'), managed.number ?? '–'],
    [t('Mail address'), managed.mail ?? t('none')],
    [t('First day'), managed.startedOn ? dayAndYearOf(managed.startedOn) : '–'],
    [t('Level'), levels[managed.level]],
    [t('Password'), managed.hasPassword ? t('chosen') : t('not chosen yet')],
  ]
  return (
    <section>
      <h2 className="text-lg border-b-2 border-ink mb-2">{t('For those who look after people')}</h2>
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1 text-sm">
        {rows.map(([name, value]) => [
          <dt key={name} className="text-soft">
            {name}
          </dt>,
          <dd key={`${name} is`} className="[overflow-wrap:anywhere]">
            {value}
          </dd>,
        ])}
      </dl>
      {!person.active && <p className="text-sm text-soft mt-1">{t('Their records stay.')}</p>}
    </section>
  )
}
