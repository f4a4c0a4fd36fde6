import type { SoughtPart, SoughtThing } from '@jackdaw/contracts/searches'
import { pathOfItem } from '@jackdaw/core/items'
import { useMe } from '../people'
import { Figure } from '../records/Figure'
import { dayAndYearOf, Loaded, numberOf, Pager, Table, TextLink } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { Choice } from './Choice'
import { KeptNote } from './KeptNote'
import { daysIn, daysOf, pageAt, type Look, type Looking } from './looking'
import { useSought } from './soughtQueries'

/** What people seek, what they open of it, and what finds nothing. */
export function Sought({ search, page, set }: { search: Looking; page: number; set: Look }) {
  const { t } = useTexts()
  const { department, site, team, which = 'all' } = search
  const query = useSought({ ...daysIn(search), department, site, team, which, page })
  const columns = useColumns(search)
  return (
    <Loaded query={query}>
      {({ rows, total, pageSize, span, kept, searches }) => (
        <div className="pb-8">
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 pb-2">
            <Choice
              label={t('Which searches')}
              value={which}
              options={[
                { id: 'all', name: t('All that was sought') },
                { id: 'unanswered', name: t('Of which nothing was opened') },
              ]}
              onChoose={(next) => set({ which: next === 'all' ? undefined : next })}
            />
            <p className="text-sm text-soft">
              {t('{{n}} searches from {{from}} to {{to}}. Nearly the same words, and words that led to the same, are counted together.', {
                n: numberOf(searches),
                from: dayAndYearOf(span.from),
                to: dayAndYearOf(span.to),
              })}
            </p>
          </div>
          <KeptNote kept={kept} sought />
          <Table<SoughtThing>
            label={t('What is sought')}
            {...{ rows, columns }}
            keyOf={({ words }) => words}
            empty={<p className="py-6">{t('Nothing was sought in these days.')}</p>}
          />
          <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
        </div>
      )}
    </Loaded>
  )
}

function useColumns(search: Looking): Column<SoughtThing>[] {
  const { t } = useTexts()
  const mayWrite = useMe().permissions.includes('guides.write')
  const { department, site, team } = search
  const counted = (part: SoughtPart, head: string, from?: 'sm'): Column<SoughtThing> => ({
    ...(from ? { from } : {}),
    id: part,
    head,
    className: 'tabular-nums',
    cell: (row) => (
      <Figure
        n={row[part]}
        to={pageAt('/engagement/searches', { ...daysOf(search), department, site, team, words: row.words, part })}
        label={`${head}: ${row.words}`}
      />
    ),
  })
  return [
    {
      id: 'words',
      head: t('Sought'),
      cell: ({ words, wordings }) => (
        <>
          <span className="font-semibold">{words}</span>
          {wordings.length > 1 && (
            <span className="block text-sm text-soft">
              {t('also: {{words}}', {
                words: wordings
                  .slice(1, 4)
                  .map((each) => each.words)
                  .join(', '),
              })}
            </span>
          )}
        </>
      ),
    },
    counted('times', t('Times')),
    counted('people', t('People'), 'sm'),
    counted('nothing', t('Nothing found')),
    counted('opened', t('Opened'), 'sm'),
    {
      id: 'item',
      head: t('What was opened most'),
      line: true,
      cell: ({ item, words }) =>
        item ? (
          <TextLink to={pathOfItem(item.ref)}>{item.title}</TextLink>
        ) : mayWrite ? (
          <TextLink to={`/library?write=${encodeURIComponent(words.charAt(0).toUpperCase() + words.slice(1))}`}>
            {t('Write this guide')}
          </TextLink>
        ) : (
          '–'
        ),
    },
  ]
}
