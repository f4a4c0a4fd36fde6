import type { GuideRow, GuideSort } from '@jackdaw/contracts/library'
import { MoreHorizontal } from 'lucide-react'
import { useMemo, type ReactNode } from 'react'
import { Link, useNavigate } from 'react-router'
import type { SaveAs } from '../exchange/SaveAsDialog'
import { kindName } from '../guides/kindName'
import { Button, Failed, momentOf, showToast, Table, useChosenRows, whenOf, type Sort, TextLink } from '../ui'
import { Menu, MenuItem } from '../ui/over/Menu'
import type { Column } from '../ui/table/columns'
import { useCopyLink } from '../sharing/copyLink'
import { useTexts } from '../ui/words/texts'
import type { Asked } from './AskedDialog'
import { GuideStateWords } from './GuideStateWords'
import { useChangeGuides } from './queries'

const keyOf = (row: GuideRow) => row.id
const isPublished = (row: GuideRow): boolean => row.edition !== null && row.state !== 'archived'
/** Several guides as one file, in the order in which they stand; one alone as itself. */
const bookletOf = (rows: readonly GuideRow[], title: string): SaveAs => ({
  what: { of: 'guides', guides: rows.map((row) => row.id) },
  name: rows.length === 1 ? (rows[0]?.title ?? title) : title,
  several: rows.length > 1,
  published: rows.every(isPublished),
  draft: rows.every((row) => row.mayEdit),
})

/** The guides of a part of the library; whoever writes can choose several and work on them together. */
export function GuideTable({
  rows,
  sort,
  onSort,
  mayWrite,
  onAsk,
  empty,
}: {
  rows: readonly GuideRow[]
  sort: Sort<GuideSort>
  onSort: (sort: Sort<GuideSort>) => void
  mayWrite: boolean
  onAsk: (asked: Asked) => void
  empty: ReactNode
}) {
  const { t } = useTexts()
  const chosen = useChosenRows(useMemo(() => rows.filter((row) => row.mayEdit).map(keyOf), [rows]))
  const { archive, error } = useArchive(chosen.none)
  const columns = useColumns(mayWrite, onAsk, archive)
  const several = rows.filter((row) => chosen.keys.has(row.id))
  const [there, gone] = [several.filter((row) => row.state !== 'archived'), several.filter((row) => row.state === 'archived')]
  const published = there.filter(isPublished)
  return (
    <>
      {error !== null && <Failed error={error} />}
      <Table
        label={t('Guides')}
        {...{ rows, keyOf, columns, sort, onSort, empty }}
        choosing={mayWrite ? { chosen, nameOf: (row) => (row.mayEdit ? row.title || t('Without a title') : null) } : undefined}
        actions={
          <>
            {published.length > 0 && (
              <Button onClick={() => onAsk({ what: 'save-as', as: bookletOf(published, t('Booklet')) })}>
                {t('Save {{count}} guides as a booklet …', { count: published.length })}
              </Button>
            )}
            <Button onClick={() => onAsk({ what: 'move', guides: several })}>{t('Move to another folder …')}</Button>
            {there.length > 0 && (
              <Button onClick={() => archive(there, true)}>{t('Archive {{count}} guides', { count: there.length })}</Button>
            )}
            {gone.length > 0 && (
              <Button onClick={() => archive(gone, false)}>{t('Take {{count}} guides out of the archive', { count: gone.length })}</Button>
            )}
          </>
        }
      />
    </>
  )
}

/** Archives guides, or takes them out again; says so, with the way back. */
function useArchive(done: () => void) {
  const { t } = useTexts()
  const change = useChangeGuides()
  const archive = (guides: readonly GuideRow[], archived: boolean): void =>
    change.mutate(
      { guides, archived },
      {
        onSuccess: () => {
          done()
          showToast(
            archived
              ? t('{{count}} guides are archived', { count: guides.length })
              : t('{{count}} guides are out of the archive', { count: guides.length }),
            () => archive(guides, !archived),
          )
        },
      },
    )
  return { archive, error: change.error }
}

function useColumns(
  mayWrite: boolean,
  onAsk: (asked: Asked) => void,
  archive: (guides: readonly GuideRow[], archived: boolean) => void,
): Column<GuideRow, GuideSort>[] {
  const { t } = useTexts()
  const forWriters: Column<GuideRow, GuideSort>[] = [
    { id: 'state', head: t('State'), sort: 'state', from: 'sm', cell: (row) => <GuideStateWords row={row} /> },
  ]
  const more: Column<GuideRow, GuideSort> = {
    id: 'more',
    head: t('More'),
    hidden: true,
    className: 'text-right py-1! pr-0!',
    cell: (row) => <RowMenu {...{ row, onAsk, archive }} />,
  }
  return [
    { id: 'number', head: t('No.'), sort: 'number', from: 'sm', className: 'text-soft', cell: (row) => row.number },
    { id: 'title', head: t('Title'), sort: 'title', cell: (row) => <TitleCell row={row} /> },
    {
      id: 'kind',
      head: t('Kind'),
      sort: 'kind',
      from: 'md',
      line: true,
      cell: (row) => kindName(row.kind, t),
    },
    { id: 'owner', head: t('Owner'), sort: 'owner', from: 'xl', line: true, cell: (row) => row.owner.name },
    ...(mayWrite ? forWriters : []),
    {
      id: 'changed',
      head: mayWrite ? t('Last change') : t('Published'),
      sort: 'changed',
      from: 'md',
      line: true,
      cell: (row) => (
        <span title={momentOf(row.changedAt)}>
          {whenOf(row.changedAt)}
          {row.changedBy && <span className="text-soft">, {row.changedBy}</span>}
        </span>
      ),
    },
    ...(mayWrite ? [more] : []),
  ]
}

function TitleCell({ row }: { row: GuideRow }) {
  const { t } = useTexts()
  const edit = `/guides/${row.id}/edit`
  // What is published is read, also by those who write it.
  const reads = row.mayRead && row.state !== 'archived'
  return (
    <>
      <Link to={reads ? `/guides/${row.id}` : edit} className="font-semibold text-base hover:underline [overflow-wrap:anywhere]">
        {row.title || t('Without a title')}
      </Link>
      {reads && row.mayEdit && (
        <TextLink
          to={edit}
          className="ml-3 text-sm inline-flex items-center min-h-8"
          aria-label={t('Edit {{title}}', { title: row.title })}
        >
          {t('Edit')}
        </TextLink>
      )}
      {row.folder && <span className="block text-xs text-soft">{row.folder}</span>}
    </>
  )
}

function RowMenu({
  row,
  onAsk,
  archive,
}: {
  row: GuideRow
  onAsk: (asked: Asked) => void
  archive: (guides: readonly GuideRow[], archived: boolean) => void
}) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const isThere = row.state !== 'archived'
  const copyLink = useCopyLink(row.id)
  return (
    <Menu
      trigger={
        <Button look="quiet" className="px-2" aria-label={t('More about {{title}}', { title: row.title })}>
          <MoreHorizontal size={17} aria-hidden />
        </Button>
      }
    >
      {row.mayRead && <MenuItem onSelect={() => void navigate(`/guides/${row.id}`)}>{t('Read')}</MenuItem>}
      {row.mayEdit && <MenuItem onSelect={() => void navigate(`/guides/${row.id}/edit`)}>{t('Edit')}</MenuItem>}
      {row.mayEdit && isThere && <MenuItem onSelect={() => onAsk({ what: 'rename', guide: row })}>{t('Rename …')}</MenuItem>}
      {row.state !== 'archived' && (isPublished(row) || row.mayEdit) && (
        <MenuItem onSelect={() => onAsk({ what: 'save-as', as: bookletOf([row], row.title) })}>{t('Save as a file …')}</MenuItem>
      )}
      {isPublished(row) && <MenuItem onSelect={() => copyLink(null)}>{t('Copy the link')}</MenuItem>}
      {row.mayEdit && isPublished(row) && (
        <MenuItem onSelect={() => void navigate(`/guides/${row.id}/links`)}>{t('Links for guests …')}</MenuItem>
      )}
      {row.mayEdit && <MenuItem onSelect={() => onAsk({ what: 'move', guides: [row] })}>{t('Move to another folder …')}</MenuItem>}
      {row.mayEdit && <MenuItem onSelect={() => onAsk({ what: 'duplicate', guide: row })}>{t('Duplicate …')}</MenuItem>}
      {row.mayEdit && (
        <MenuItem danger={isThere} onSelect={() => archive([row], isThere)}>
          {isThere ? t('Archive') : t('Take out of the archive')}
        </MenuItem>
      )}
    </Menu>
  )
}
