import type { RightsChange } from '@jackdaw/contracts/account'
import type { Permission } from '@jackdaw/core/people'
import type { TFunction } from 'i18next'
import { Button, Loaded, momentOf, Table, TextLink, TitleLine } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { PeopleTabs } from '../PeopleTabs'
import { useRightsChanges } from './queries'

/** What each permission lets one do. */
export const permissionWords = (t: TFunction): Record<Permission, string> => ({
  'guides.write': t('write guides'),
  'guides.all': t('read and change every guide'),
  'guides.publish': t('publish'),
  'folders.change': t('change folders'),
  'people.look-up': t('look people up'),
  'records.all': t('see everybody’s records'),
  'people.manage': t('add and change people'),
  'people.invite': t('add people who report to them'),
  'company.settings': t('settings of the company'),
})

/** Who changed whose rights, and when. */
export function RightsPage() {
  const { t } = useTexts()
  const changes = useRightsChanges()
  return (
    <>
      <title>{t('Changes of rights – Jackdaw')}</title>
      <TitleLine title={t('Changes of rights')} state={t('Who changed the level or the permissions of whom')} />
      <PeopleTabs />
      <div className="bg-sheet grow px-4 md:px-6 py-4">
        <Loaded query={changes}>
          {({ pages }) => (
            <>
              <Changes rows={pages.flatMap((page) => page.rows)} />
              {changes.hasNextPage && (
                <Button className="mt-3" disabled={changes.isFetchingNextPage} onClick={() => void changes.fetchNextPage()}>
                  {t('Show older ones')}
                </Button>
              )}
            </>
          )}
        </Loaded>
      </div>
    </>
  )
}

function Changes({ rows }: { rows: readonly RightsChange[] }) {
  const { t } = useTexts()
  const words = permissionWords(t)
  const levels = { admin: t('Admin'), lead: t('Lead'), author: t('Author'), staff: t('Staff') }
  return (
    <Table
      label={t('Changes of rights')}
      rows={rows}
      keyOf={(row) => `${row.at} ${row.person.id}`}
      columns={[
        { id: 'at', head: t('When'), line: true, cell: (row) => momentOf(row.at) },
        { id: 'person', head: t('Whose'), cell: (row) => <TextLink to={`/people/${row.person.id}`}>{row.person.name}</TextLink> },
        {
          id: 'level',
          head: t('Level'),
          line: true,
          cell: (row) =>
            row.levelBefore === row.levelAfter ? levels[row.levelAfter] : `${levels[row.levelBefore]} → ${levels[row.levelAfter]}`,
        },
        { id: 'granted', head: t('May now'), from: 'md', cell: (row) => row.granted.map((each) => words[each]).join(', ') || '–' },
        {
          id: 'withdrawn',
          head: t('May no longer'),
          from: 'md',
          cell: (row) => row.withdrawn.map((each) => words[each]).join(', ') || '–',
        },
        { id: 'by', head: t('By whom'), cell: (row) => row.by?.name ?? t('when the company was set up') },
      ]}
      empty={<p>{t('Nobody’s rights have been changed yet.')}</p>}
    />
  )
}
