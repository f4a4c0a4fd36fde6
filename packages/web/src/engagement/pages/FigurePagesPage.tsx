import type { FigurePage } from '@jackdaw/contracts/figurePages'
import { useMe } from '../../people'
import { Loaded, Table, TextLink, TitleLine } from '../../ui'
import type { Column } from '../../ui/table/columns'
import { useTexts } from '../../ui/words/texts'
import { mailWords } from './pageWords'
import { useFigurePages } from './pageQueries'

/** The pages of figures that one has arranged, and those that others share. */
export function FigurePagesPage() {
  const { t } = useTexts()
  const me = useMe()
  const query = useFigurePages()
  const columns: Column<FigurePage>[] = [
    {
      id: 'name',
      head: t('Page'),
      cell: ({ id, name }) => (
        <TextLink to={`/engagement/pages/${id}`}>
          <span className="font-semibold">{name}</span>
        </TextLink>
      ),
    },
    { id: 'owner', head: t('Arranged by'), line: true, cell: ({ owner }) => (owner.id === me.id ? t('you') : owner.name) },
    { id: 'parts', head: t('Parts'), from: 'sm', cell: ({ parts }) => parts.length },
    { id: 'shared', head: t('Found by'), cell: ({ shared }) => (shared ? t('everybody who sees records') : t('you')) },
    { id: 'mailed', head: t('Mailed to you'), cell: ({ mailed }) => mailWords(t)[mailed ?? 'never'] },
  ]
  return (
    <Loaded query={query}>
      {(rows) => (
        <>
          <title>{t('Pages – Engagement – Jackdaw')}</title>
          <TitleLine
            where={{ to: '/engagement', name: t('Engagement') }}
            title={t('Pages')}
            state={t('Figures that somebody has put together, arranged and shared')}
          />
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            <Table
              label={t('Pages')}
              {...{ rows, columns }}
              keyOf={({ id }) => id}
              empty={
                <p className="py-6 max-w-prose">
                  {t('There is no page yet. Look at something in Engagement, and choose “Put on a page …” above it.')}
                </p>
              }
            />
          </div>
        </>
      )}
    </Loaded>
  )
}
