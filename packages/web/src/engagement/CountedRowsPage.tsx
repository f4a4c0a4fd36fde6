import { dayAndYearOf, Loaded, numberOf, TitleLine, useSearch } from '../ui'
import { useTexts } from '../ui/words/texts'
import { CountedRows } from './CountedRows'
import { figureWords } from './figureWords'
import { daysIn, LOOKING, pageAt, scopeIn } from './looking'
import { LookedAtOnly, LookingBar } from './LookingBar'
import { useCountedRows } from './queries'

/** What a figure counts, row by row. */
export function CountedRowsPage() {
  const { t } = useTexts()
  const { search, page, set } = useSearch(LOOKING)
  const { figure = 'views' } = search
  const words = figureWords(t)[figure]
  const query = useCountedRows({ ...daysIn(search), ...scopeIn(search), figure, page })
  return (
    <>
      <title>{t('{{figure}} – Jackdaw', { figure: words.name })}</title>
      <Loaded query={query}>
        {({ span, everybody, ...found }) => (
          <>
            <TitleLine
              where={{ to: pageAt('/engagement', { ...search, figure: undefined }), name: t('Engagement') }}
              title={`${numberOf(found.total)} · ${words.name}`}
              state={[
                words.counts,
                t('From {{from}} to {{to}}. A day is that of the place where each person works.', {
                  from: dayAndYearOf(span.from),
                  to: dayAndYearOf(span.to),
                }),
                everybody ? '' : t('Of those who report to you.'),
              ].join(' ')}
            />
            <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
              <LookingBar {...{ search, set }} inTime={false} />
              <LookedAtOnly of={found} {...{ search, set }} />
              <CountedRows {...{ figure, found, page }} onPage={(next) => set({ page: String(next) })} />
            </div>
          </>
        )}
      </Loaded>
    </>
  )
}
