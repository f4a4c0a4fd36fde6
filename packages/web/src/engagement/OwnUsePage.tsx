import type { OwnItem } from '@jackdaw/contracts/ownUse'
import { itemKey } from '@jackdaw/core/items'
import { LocalDate } from '@jackdaw/core/shared'
import { namedItem } from '../items'
import { useMe } from '../people'
import { Loaded, Pager, Table, TextLink, TitleLine, useSearch } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { pageAt } from './looking'
import { MonthChoice } from './MonthChoice'
import { useOwnUse } from './ownQueries'
import { about, whyRounded } from './ownWords'

/** How others use what somebody owns who may not see who they are. */
export function OwnUsePage() {
  const { t } = useTexts()
  const me = useMe()
  const { search, page, set } = useSearch({ month: LocalDate })
  const query = useOwnUse({ ...search, page })
  const records = me.permissions.includes('records.all') || me.hasReports
  return (
    <Loaded query={query}>
      {({ leastGroup, month, months, rows, total, pageSize }) => (
        <>
          <title>{t('What I own – Engagement – Jackdaw')}</title>
          <TitleLine
            {...(records ? { where: { to: '/engagement', name: t('Engagement') } } : {})}
            title={t('What I own')}
            state={t('How others use what you have written')}
          />
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            <div className="py-2">
              <MonthChoice {...{ month, months }} onChoose={(next) => set({ month: next, page: undefined })} />
            </div>
            <Table<OwnItem>
              label={t('What I own')}
              rows={rows}
              columns={columnsOf(t, search.month, leastGroup)}
              keyOf={({ item }) => itemKey(item)}
              empty={<p className="py-6">{t('You own nothing that has been published.')}</p>}
            />
            <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
            <p className="text-sm text-soft max-w-prose pt-4">{whyRounded(t, leastGroup)}</p>
          </div>
        </>
      )}
    </Loaded>
  )
}

function columnsOf(t: ReturnType<typeof useTexts>['t'], month: LocalDate | undefined, leastGroup: number): Column<OwnItem>[] {
  return [
    { id: 'number', head: t('No.'), line: true, from: 'sm', cell: ({ item, number }) => namedItem(t, item, number) },
    {
      id: 'title',
      head: t('What'),
      cell: ({ item, title }) => (
        <TextLink to={pageAt(`/engagement/own/${item.id}`, { month })}>
          <span className="font-semibold">{title}</span>
        </TextLink>
      ),
    },
    {
      id: 'people',
      head: t('People'),
      cell: ({ use }) =>
        use ? about(t, use.people) : <span className="text-soft">{t('fewer than {{n}} may see it', { n: leastGroup })}</span>,
    },
    { id: 'finished', head: t('Finished it'), cell: ({ use }) => (use && use.people > 0 ? about(t, use.finished) : '–') },
    {
      id: 'times',
      head: t('Times each'),
      from: 'sm',
      cell: ({ use }) => (use && use.timesEach > 0 ? t('about {{n}}', { n: use.timesEach }) : '–'),
    },
  ]
}
