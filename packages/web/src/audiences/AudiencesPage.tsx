import type { AudienceRow } from '@jackdaw/contracts/audiences'
import { useMe } from '../people'
import { PeopleTabs } from '../people/PeopleTabs'
import { ButtonLink, Loaded, Table, TextLink, TitleLine, whenOf } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useAudiences } from './queries'

/** The saved audiences: what each says, how many are in it, where it is used. */
export function AudiencesPage() {
  const { t } = useTexts()
  const audiences = useAudiences()
  const mayChange = useMe().permissions.includes('guides.all')
  return (
    <>
      <title>{t('Audiences – Jackdaw')}</title>
      <TitleLine title={t('Audiences')} state={t('Sets of people, told once as a rule and used in many places.')}>
        {mayChange && (
          <ButtonLink look="primary" to="/people/audiences/new">
            {t('Build an audience')}
          </ButtonLink>
        )}
      </TitleLine>
      <PeopleTabs />
      <div className="bg-sheet px-4 md:px-6 py-4 grow">
        <Loaded query={audiences}>{(rows) => <AudienceTable rows={rows} />}</Loaded>
      </div>
    </>
  )
}

function AudienceTable({ rows }: { rows: readonly AudienceRow[] }) {
  const { t } = useTexts()
  return (
    <Table
      label={t('Audiences')}
      rows={rows}
      keyOf={(row) => row.id}
      columns={[
        {
          id: 'name',
          head: t('Name'),
          cell: (row) => (
            <>
              <TextLink to={`/people/audiences/${row.id}`}>{row.name}</TextLink>
              {row.about && <span className="block text-soft">{row.about}</span>}
            </>
          ),
        },
        { id: 'sentence', head: t('Who is in it'), cell: (row) => <span className="font-serif">{row.sentence}</span> },
        { id: 'people', head: t('People'), cell: (row) => row.people, className: 'tabular-nums', line: true },
        { id: 'used', head: t('Used for'), cell: (row) => row.usedBy, className: 'tabular-nums', line: true },
        { id: 'changed', head: t('Changed'), cell: (row) => whenOf(row.changedAt), line: true, from: 'lg' },
      ]}
      empty={<p>{t('No audience is saved yet. What is told here once can be chosen wherever something is given to people.')}</p>}
    />
  )
}
