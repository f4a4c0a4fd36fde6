import type { Visit } from '@jackdaw/contracts/engagement'
import type { GuideId } from '@jackdaw/core/shared'
import { WAYS } from '@jackdaw/core/ways'
import { MessageCircleQuestionMark, X } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { GroupFilters } from '../records/GroupFilters'
import { Button, dayAndYearOf, lengthOf, Loaded, momentOf, Pager, Table, TextButton, TitleLine, useSearch } from '../ui'
import { useIds } from '../ui/search/useIds'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { DaysChoice } from './Choice'
import { DIFFER_IN, JOURNEY, valueName, visitsIn } from './journeying'
import { daysOf, pageAt, type DaysLooked } from './looking'
import { AskThere } from './AskThere'
import { KeptNote } from './KeptNote'
import { useVisits } from './queries'
import { useMe } from '../people'

/** The visits that a figure of the journey counts. */
export function VisitsPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: GuideId }>()
  const { search, page, set } = useSearch(JOURNEY)
  const { part = 'visits', step } = search
  const [asking, setAsking] = useState(false)
  const mayAsk = useMe().permissions.some((each) => each === 'guides.all' || each === 'guides.publish')
  const query = useVisits(id, { ...visitsIn(search), part, step, page })
  const columns = useColumns(search)
  const chosen = DIFFER_IN.filter((which) => search[which] !== undefined)
  const said = (name: string | null): string =>
    ({
      visits: t('All visits'),
      finished: t('Visits that finished'),
      elsewhere: t('Visits that left before any step, or at one that is not there any more'),
      came: t('Visits that came to “{{name}}”', { name }),
      on: t('Visits that went on from “{{name}}”', { name }),
      back: t('Visits that went back from “{{name}}”', { name }),
      left: t('Visits that left at “{{name}}”', { name }),
    })[part]
  return (
    <Loaded query={query}>
      {({ guide, span, kept, step: name, rows, total, pageSize }) => (
        <>
          <title>{t('Visits of {{title}} – Jackdaw', { title: guide.title })}</title>
          <TitleLine
            where={{ to: pageAt(`/engagement/guides/${id}`, { ...search, part: undefined, step: undefined }), name: guide.title }}
            title={`${total} · ${said(name)}`}
            state={t('Begun from {{from}} to {{to}}. A day is that of the place where each person works.', {
              from: dayAndYearOf(span.from),
              to: dayAndYearOf(span.to),
            })}
          >
            {part === 'left' && step && mayAsk && (
              <Button look="primary" onClick={() => setAsking(true)}>
                <MessageCircleQuestionMark size={17} aria-hidden />
                {t('Ask them there')}
              </Button>
            )}
          </TitleLine>
          {asking && step && (
            <AskThere
              guideId={id}
              step={{ id: step, name: name ?? '' }}
              visits={{ ...visitsIn(search), ...span }}
              left={total}
              onClose={() => setAsking(false)}
            />
          )}
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            <div className="flex flex-wrap items-end gap-2 py-2">
              <DaysChoice {...{ search, set }} />
              <GroupFilters {...{ search, set }} />
              {chosen.map((which) => (
                <TextButton key={which} className="inline-flex items-center gap-1 min-h-9" onClick={() => set({ [which]: undefined })}>
                  {t('Only {{what}}', { what: valueName(t, which, search[which] ?? '') })}
                  <X size={14} aria-hidden />
                </TextButton>
              ))}
            </div>
            <KeptNote kept={kept} />
            <Table<Visit & { n: number }>
              label={said(name)}
              rows={rows.map((row, n) => ({ ...row, n }))}
              columns={columns.filter(({ has }) => has === undefined || rows.some(has))}
              keyOf={({ n }) => `${page} ${n}`}
              empty={<p className="py-6">{t('There is no such visit.')}</p>}
            />
            <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
          </div>
        </>
      )}
    </Loaded>
  )
}

type VisitColumn = Column<Visit & { n: number }> & { has?: (visit: Visit) => boolean }
/** The columns; those that may be empty are shown where any visit has something in them. */
function useColumns(search: DaysLooked): VisitColumn[] {
  const { t } = useTexts()
  return [
    { id: 'at', head: t('Begun'), line: true, cell: ({ at }) => momentOf(at) },
    {
      id: 'person',
      head: t('Who'),
      cell: ({ person }) => (
        <Link to={pageAt('/engagement', { ...daysOf(search), by: 'used', person: person.id })} className="font-semibold hover:underline">
          {person.name}
        </Link>
      ),
    },
    { id: 'way', head: t('How'), cell: ({ way }) => t(WAYS[way].name) },
    { id: 'edition', head: t('Edition'), from: 'sm', cell: ({ edition }) => edition },
    { id: 'finished', head: t('Finished'), cell: ({ finished }) => (finished ? `✓ ${t('yes')}` : t('no')) },
    { id: 'time', head: t('Time spent'), from: 'sm', line: true, cell: ({ activeMs }) => lengthOf(activeMs) },
    {
      id: 'device',
      has: ({ device }) => device !== null,
      head: t('Device'),
      from: 'md',
      cell: ({ device }) => device && valueName(t, 'device', device),
    },
    { id: 'browser', has: ({ browser }) => browser !== null, head: t('Browser'), from: 'lg', cell: ({ browser }) => browser },
    { id: 'language', has: ({ language }) => language !== null, head: t('Language'), from: 'lg', cell: ({ language }) => language },
  ]
}
