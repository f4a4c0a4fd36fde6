import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { MEMBERS_PAGE, type getGroup } from '@jackdaw/contracts/groups'
import type { PersonRef } from '@jackdaw/contracts/people'
import { itemKey, pathOfItem } from '@jackdaw/core/items'
import type { GroupId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Link } from 'react-router'
import { Button, dayAndYearOf, Failed, Loaded, Message, Pager, showToast, TextLink, TitleLine, useSearch } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { WorkingDays } from '../../calendar'
import { Duties, Part } from '../directory/PersonPage'
import { Face } from '../Face'
import { kindWords } from '../kindWords'
import { PeopleTabs } from '../PeopleTabs'
import { PersonPicker } from '../PersonPicker'
import { ChangeGroup, CloseGroup } from './ChangeGroup'
import { EditDuties } from './EditDuties'
import { useChangeMembers, useGivenToGroup, useGroup } from './queries'

type Group = ResponseOf<typeof getGroup>

/** A group's page: what it is, who leads it and is in it, its duties, what its members are given. */
export function GroupPage() {
  const { groupId } = useIds<{ groupId: GroupId }>()
  const { page, set } = useSearch({})
  return (
    <Loaded query={useGroup(groupId, page)}>
      {(group) => <Shown group={group} page={page} onPage={(next) => set({ page: String(next) })} />}
    </Loaded>
  )
}

function Shown({ group, page, onPage }: { group: Group; page: number; onPage: (page: number) => void }) {
  const { t } = useTexts()
  const [open, setOpen] = useState<'change' | 'close' | 'duties' | null>(null)
  const changes = group.mayChange && group.closedOn === null
  return (
    <>
      <title>{`${group.name} – Jackdaw`}</title>
      <TitleLine where={{ to: '/people/groups', name: t('Groups') }} title={group.name} state={kindWords(group, t)}>
        {changes && <Button onClick={() => setOpen('change')}>{t('Change')}</Button>}
        {changes && <Button onClick={() => setOpen('close')}>{t('Close the group')}</Button>}
      </TitleLine>
      <PeopleTabs />
      <div className="bg-sheet grow px-4 md:px-6 py-5 grid lg:grid-cols-[minmax(0,1fr)_380px] gap-x-10 gap-y-7 content-start">
        <div className="space-y-7 min-w-0">
          {group.closedOn && (
            <Message tone="warn" title={t('Closed on {{day}}: nobody is in it any more', { day: dayAndYearOf(group.closedOn) })} />
          )}
          <div className="space-y-1">
            {group.about && <p className="max-w-2xl whitespace-pre-line">{group.about}</p>}
            {group.leader && (
              <p>
                {t('Led by')} <TextLink to={`/people/${group.leader.id}`}>{group.leader.name}</TextLink>
              </p>
            )}
            {group.zone && <p className="text-soft">{t('Time zone: {{zone}}', { zone: group.zone })}</p>}
          </div>
          <Part title={t('Duties')}>
            {group.duties.length === 0 && open !== 'duties' && <p className="text-soft">{t('No duty is written down for it.')}</p>}
            {open === 'duties' ? (
              <EditDuties groupId={group.id} duties={group.duties} onDone={() => setOpen(null)} />
            ) : (
              <>
                <Duties duties={group.duties} />
                {changes && (
                  <Button className="mt-2" onClick={() => setOpen('duties')}>
                    {group.duties.length === 0 ? t('Write its duties') : t('Change the duties')}
                  </Button>
                )}
              </>
            )}
          </Part>
          {group.zone && (
            <Part title={t('Working days')}>
              <WorkingDays groupId={group.id} zone={group.zone} changes={changes} />
            </Part>
          )}
          <Given groupId={group.id} />
        </div>
        <Members {...{ group, page, onPage, changes }} />
      </div>
      {open === 'change' && <ChangeGroup group={group} onClose={() => setOpen(null)} />}
      {open === 'close' && <CloseGroup group={group} onClose={() => setOpen(null)} />}
    </>
  )
}

/** What its members are given because they are in it. */
function Given({ groupId }: { groupId: GroupId }) {
  const { t } = useTexts()
  const given = useGivenToGroup(groupId)
  return (
    <Part title={t('What its members are given')}>
      <Loaded query={given}>
        {({ items, audiences }) => (
          <>
            {items.length === 0 && <p className="text-soft">{t('Nothing is given to this group by its name.')}</p>}
            <ul>
              {items.map(({ item, number, title }) => (
                <li key={itemKey(item)} className="py-1.5 border-b border-hair">
                  <TextLink to={pathOfItem(item)}>{title}</TextLink> <span className="text-soft">{number}</span>
                </li>
              ))}
            </ul>
            {audiences.length > 0 && (
              <p className="text-sm mt-2">
                {t('Audiences that speak of it:')}{' '}
                {audiences.map((audience, at) => (
                  <span key={audience.id}>
                    {at > 0 && ', '}
                    <TextLink to={`/people/audiences/${audience.id}`}>{audience.name}</TextLink>
                  </span>
                ))}
              </p>
            )}
          </>
        )}
      </Loaded>
    </Part>
  )
}

function Members({ group, page, onPage, changes }: { group: Group; page: number; onPage: (page: number) => void; changes: boolean }) {
  const { t } = useTexts()
  const change = useChangeMembers(group.id)
  const [joining, setJoining] = useState<PersonRef[]>([])
  const join = () =>
    change.mutate(
      { join: joining.map(({ id }) => id), leave: [] },
      {
        onSuccess: () => {
          showToast(t('{{count}} people are in {{group}} now', { count: joining.length, group: group.name }))
          setJoining([])
        },
      },
    )
  const leave = (person: PersonRef) =>
    change.mutate(
      { join: [], leave: [person.id] },
      {
        onSuccess: () =>
          showToast(t('{{name}} is out of {{group}}', { name: person.name, group: group.name }), () =>
            change.mutate({ join: [person.id], leave: [] }),
          ),
      },
    )
  return (
    <aside>
      <h2 className="text-lg border-b-2 border-ink mb-2">{t('{{count}} people', { count: group.people })}</h2>
      {changes && (
        <div className="mb-3 space-y-2">
          <PersonPicker label={t('Put people into it')} chosen={joining} onChange={setJoining} />
          {joining.length > 0 && (
            <Button look="primary" disabled={change.isPending} onClick={join}>
              {t('Put {{count}} people in', { count: joining.length })}
            </Button>
          )}
        </div>
      )}
      {change.isError && <Failed error={change.error} />}
      <ul aria-label={t('Who is in it')}>
        {group.members.map((member) => (
          <li key={member.id} className="flex items-center gap-3 py-1.5 border-b border-hair">
            <Face id={member.id} name={member.name} face={member.face} />
            <span className="grow min-w-0">
              <Link to={`/people/${member.id}`} className="font-semibold hover:underline" dir="auto">
                {member.name}
              </Link>
              <span className="block text-sm text-soft">
                {member.jobTitle && `${member.jobTitle} · `}
                {t('since {{day}}', { day: dayAndYearOf(member.since) })}
              </span>
            </span>
            {changes && (
              <Button
                look="quiet"
                disabled={change.isPending}
                aria-label={t('Take {{name}} out', { name: member.name })}
                onClick={() => leave(member)}
              >
                {t('Take out')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Pager page={page} pageSize={MEMBERS_PAGE} total={group.people} onPage={onPage} />
    </aside>
  )
}
