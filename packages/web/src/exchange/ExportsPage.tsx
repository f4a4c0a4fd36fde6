import type { ExportRow } from '@jackdaw/contracts/exports'
import { Button, buttonClass, Failed, Loaded, momentOf, Table, TextLink, TitleLine, whenOf } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { ExportProgress, factsOf, formatName, goneWords, MissingLetters } from './exportWords'
import { isUnderWay, useExports, useRemoveExport } from './queries'

function StateCell({ row }: { row: ExportRow }) {
  const { t } = useTexts()
  if (isUnderWay(row)) return <ExportProgress row={row} />
  if (row.state !== 'ready') return <span className={row.gone === 'expired' ? 'text-soft' : 'text-brick'}>{goneWords(row, t)}</span>
  return (
    <>
      {factsOf(row, t)}
      {row.missing.length > 0 && (
        <div className="mt-2">
          <MissingLetters row={row} />
        </div>
      )}
    </>
  )
}

function useColumns(remove: ReturnType<typeof useRemoveExport>): Column<ExportRow>[] {
  const { t } = useTexts()
  return [
    {
      id: 'title',
      head: t('File'),
      className: '[overflow-wrap:anywhere]',
      cell: (row) => (
        <>
          <strong>{row.title}</strong>
          <span className="block text-xs text-soft">
            {formatName(row.format, t)}
            {row.draft && ` · ${t('draft')}`}
            {row.guides > 1 && ` · ${t('{{count}} guides', { count: row.guides })}`}
          </span>
        </>
      ),
    },
    {
      id: 'asked',
      head: t('Asked for'),
      from: 'sm',
      line: true,
      cell: (row) => <time title={momentOf(row.askedAt)}>{whenOf(row.askedAt)}</time>,
    },
    { id: 'state', head: t('State'), cell: (row) => <StateCell row={row} /> },
    {
      id: 'do',
      head: t('What can be done'),
      hidden: true,
      className: 'text-right whitespace-nowrap',
      cell: (row) => (
        <>
          {row.state === 'ready' && (
            <a
              href={`/exports/${row.id}/file`}
              download
              className={buttonClass('plain', 'mr-2')}
              aria-label={t('Save {{title}}', { title: row.title })}
            >
              {t('Save')}
            </a>
          )}
          <Button
            look="quiet"
            disabled={remove.isPending}
            aria-label={t('Delete {{title}}', { title: row.title })}
            onClick={() => remove.mutate(row.id)}
          >
            {isUnderWay(row) ? t('Stop') : t('Delete')}
          </Button>
        </>
      ),
    },
  ]
}

/** The files that somebody has had made of guides: each is kept for seven days. */
export function ExportsPage() {
  const { t } = useTexts()
  const query = useExports()
  const remove = useRemoveExport()
  const columns = useColumns(remove)
  return (
    <>
      <title>{t('My files – Jackdaw')}</title>
      <TitleLine title={t('My files')} state={t('What you have had written of guides. Each file is kept for seven days.')} />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
        {remove.isError && <Failed error={remove.error} />}
        <Loaded query={query}>
          {(rows) => (
            <Table
              label={t('My files')}
              {...{ rows, columns }}
              keyOf={(row) => row.id}
              empty={
                <p className="py-6">
                  {t('There is no file yet. Open a guide, or the library, and choose “Save as a file …”.')}{' '}
                  <TextLink to="/library">{t('To the library')}</TextLink>
                </p>
              }
            />
          )}
        </Loaded>
      </div>
    </>
  )
}
