import type { GroupRow } from '@jackdaw/contracts/groups'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { Button, Loaded, Table, TextLink, TitleLine } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { kindsWords } from '../kindWords'
import { PeopleTabs } from '../PeopleTabs'
import { useMe } from '../session'
import { AddGroup, AddKind } from './AddGroup'
import { useGroupRows } from './queries'

/** All groups by kind: who leads each, how many are in it, its duties and where a guide is missing. */
export function GroupsPage() {
  const { t } = useTexts()
  const groups = useGroupRows()
  const manages = useMe().permissions.includes('people.manage')
  const [adding, setAdding] = useState<'group' | 'kind' | null>(null)
  return (
    <>
      <title>{t('Groups – Jackdaw')}</title>
      <TitleLine title={t('Groups')} state={t('Sites, departments, teams, roles and whatever else people belong to')}>
        {manages && <Button onClick={() => setAdding('kind')}>{t('Add a kind')}</Button>}
        {manages && (
          <Button look="primary" onClick={() => setAdding('group')}>
            <Plus size={16} aria-hidden />
            {t('Add a group')}
          </Button>
        )}
      </TitleLine>
      <PeopleTabs />
      <div className="bg-sheet grow px-4 md:px-6 py-4 space-y-8">
        <Loaded query={groups}>
          {(all) =>
            all.length === 0 ? (
              <p>{t('There is no group yet. Begin with the sites at which people work.')}</p>
            ) : (
              [...new Set(all.map((group) => group.kind))].map((kind) => (
                <OfKind key={kind} groups={all.filter((group) => group.kind === kind)} />
              ))
            )
          }
        </Loaded>
      </div>
      {adding === 'group' && <AddGroup onClose={() => setAdding(null)} />}
      {adding === 'kind' && <AddKind onClose={() => setAdding(null)} />}
    </>
  )
}

function OfKind({ groups }: { groups: readonly GroupRow[] }) {
  const { t } = useTexts()
  const [first] = groups
  const kind = first ? kindsWords(first, t) : ''
  return (
    <section>
      <h2 className="text-lg mb-1">{kind}</h2>
      <Table
        label={kind}
        rows={groups}
        keyOf={(group) => group.id}
        columns={[
          {
            id: 'name',
            head: t('Name'),
            className: 'w-2/5',
            cell: (group) => <TextLink to={`/people/groups/${group.id}`}>{group.name}</TextLink>,
          },
          {
            id: 'leader',
            head: t('Led by'),
            from: 'sm',
            className: 'w-1/5',
            cell: (group) =>
              group.leader ? (
                <TextLink to={`/people/${group.leader.id}`}>{group.leader.name}</TextLink>
              ) : (
                <span className="text-soft">–</span>
              ),
          },
          { id: 'people', head: t('People'), line: true, className: 'tabular-nums', cell: (group) => <PeopleIn group={group} /> },
          { id: 'duties', head: t('Duties'), line: true, className: 'tabular-nums', cell: (group) => group.duties },
          {
            id: 'gaps',
            head: t('Without a guide'),
            line: true,
            className: 'tabular-nums',
            cell: (group) => (group.gaps > 0 ? <span className="text-ochre">◇ {group.gaps}</span> : 0),
          },
        ]}
        empty={null}
      />
    </section>
  )
}

const PeopleIn = ({ group }: { group: GroupRow }) => {
  const { t } = useTexts()
  return group.people === 0 ? (
    <span className="text-ochre">◇ {t('nobody')}</span>
  ) : (
    <TextLink to={`/people?group=${group.id}`}>{group.people}</TextLink>
  )
}
