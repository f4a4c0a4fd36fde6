import type { GroupRow } from '@jackdaw/contracts/groups'
import type { ReactNode } from 'react'
import { Loaded, Table, TextLink, TitleLine } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useGroupRows } from '../groups/queries'
import { PeopleTabs } from '../PeopleTabs'

/** Who holds which role: those that nobody holds first, and for each the duties and those for which no guide tells how. */
export function RolesPage({ below }: { below?: ReactNode }) {
  const { t } = useTexts()
  const groups = useGroupRows()
  return (
    <>
      <title>{t('Roles – Jackdaw')}</title>
      <TitleLine
        title={t('Who holds which role')}
        state={<Summary roles={(groups.data ?? []).filter((group) => group.kind === 'role')} />}
      />
      <PeopleTabs />
      <div className="bg-sheet grow px-4 md:px-6 py-4">
        <Loaded query={groups}>{(all) => <Roles roles={all.filter((group) => group.kind === 'role')} />}</Loaded>
        {below}
      </div>
    </>
  )
}

function Summary({ roles }: { roles: readonly GroupRow[] }) {
  const { t } = useTexts()
  const vacant = roles.filter((role) => role.people === 0).length
  return vacant > 0 ? t('{{count}} roles are held by nobody', { count: vacant }) : t('Every role is held by somebody')
}

function Roles({ roles }: { roles: readonly GroupRow[] }) {
  const { t } = useTexts()
  const sorted = [...roles].sort((a, b) => Number(a.people > 0) - Number(b.people > 0))
  return (
    <Table
      label={t('Who holds which role')}
      rows={sorted}
      keyOf={(role) => role.id}
      columns={[
        {
          id: 'role',
          head: t('Role'),
          className: 'min-w-32',
          cell: (role) => <TextLink to={`/people/groups/${role.id}`}>{role.name}</TextLink>,
        },
        { id: 'held', head: t('Held by'), className: 'w-3/5', cell: (role) => <Holders role={role} /> },
        { id: 'duties', head: t('Duties'), line: true, className: 'tabular-nums', cell: (role) => role.duties },
        {
          id: 'gaps',
          head: t('Without a guide'),
          line: true,
          className: 'tabular-nums',
          cell: (role) => (role.gaps > 0 ? <span className="text-ochre">◇ {role.gaps}</span> : 0),
        },
      ]}
      empty={<p>{t('There is no role yet.')}</p>}
    />
  )
}

function Holders({ role }: { role: GroupRow }) {
  const { t } = useTexts()
  if (role.people === 0) return <span className="text-ochre">◇ {t('nobody')}</span>
  return (
    <>
      {role.some.map((person, at) => (
        <span key={person.id}>
          {at > 0 && ', '}
          <TextLink to={`/people/${person.id}`}>{person.name}</TextLink>
        </span>
      ))}
      {role.people > role.some.length && (
        <>
          {' '}
          <TextLink to={`/people?group=${role.id}`}>{t('and {{count}} more', { count: role.people - role.some.length })}</TextLink>
        </>
      )}
    </>
  )
}
