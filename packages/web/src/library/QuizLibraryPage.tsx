import type { FoundQuiz } from '@jackdaw/contracts/library'
import { quizItem } from '@jackdaw/core/items'
import { Link } from 'react-router'
import { editOf } from '../items'
import { useMe } from '../people'
import { Button, ButtonLink, FindForm, Loaded, Pager, Table, TextLink, TitleLine, useSearch, whenOf } from '../ui'
import { Words } from '../ui/search/searchParts'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { LibraryTabs } from './LibraryTabs'
import { useFoundQuizzes } from './queries'

/** The quizzes that one may take or write, by title. */
export function QuizLibraryPage() {
  const { t } = useTexts()
  const mayWrite = useMe().permissions.includes('guides.write')
  const { search, page, set, clear } = useSearch({ find: Words })
  const { find = '' } = search
  const quizzes = useFoundQuizzes({ find: find || undefined, page })
  return (
    <>
      <title>{t('Library – Jackdaw')}</title>
      <TitleLine title={t('Library')} state={quizzes.data && t('{{count}} quizzes', { count: quizzes.data.total })}>
        {mayWrite && (
          <ButtonLink look="primary" to="/quizzes/new">
            {t('Write a quiz')}
          </ButtonLink>
        )}
      </TitleLine>
      <LibraryTabs />
      <div className="bg-sheet grow">
        <FindForm
          className="gap-3 px-4 md:px-6 py-3 border-b border-hair"
          find={find}
          label={t('Title or number')}
          maxLength={200}
          wide
          onFind={(words) => set({ find: words })}
        />
        <Loaded query={quizzes}>
          {({ rows, total, pageSize }) => (
            <div className="px-4 md:px-6">
              <QuizTable {...{ rows, find, mayWrite }} onAll={clear} />
              <Pager page={page} pageSize={pageSize} total={total} onPage={(next) => set({ page: String(next) })} />
            </div>
          )}
        </Loaded>
      </div>
    </>
  )
}

type Shown = { rows: readonly FoundQuiz[]; find: string; mayWrite: boolean; onAll: () => void }
function QuizTable({ rows, find, mayWrite, onAll }: Shown) {
  const { t } = useTexts()
  const columns: Column<FoundQuiz>[] = [
    { id: 'number', head: t('No.'), from: 'sm', className: 'text-soft', cell: (row) => row.number },
    {
      id: 'title',
      head: t('Quiz'),
      className: 'min-w-52',
      cell: ({ id, title, edition }) => (
        <Link to={edition === null ? editOf(t, quizItem(id)).to : `/quizzes/${id}`} className="font-semibold text-base hover:underline">
          {title || t('Without a title')}
        </Link>
      ),
    },
    {
      id: 'minutes',
      head: t('Minutes'),
      from: 'sm',
      cell: ({ minutes }) => (minutes === null ? '–' : t('{{minutes}} min', { minutes })),
    },
    { id: 'owner', head: t('Owner'), from: 'md', line: true, cell: ({ owner }) => owner.name },
    {
      id: 'edition',
      head: t('Edition'),
      line: true,
      cell: ({ edition, publishedAt }) => (edition === null || publishedAt === null ? t('Draft') : `${edition}, ${whenOf(publishedAt)}`),
    },
    ...(mayWrite
      ? [
          {
            id: 'edit',
            head: '',
            cell: ({ id, mayEdit }: FoundQuiz) => mayEdit && <TextLink to={editOf(t, quizItem(id)).to}>{t('Edit')}</TextLink>,
          },
        ]
      : []),
  ]
  return (
    <Table
      label={t('Quizzes')}
      {...{ rows, columns }}
      keyOf={(row) => row.id}
      empty={
        <div className="py-6">
          <p className="mb-3">
            {find
              ? t('No quiz fits. Titles are searched by any part of them, numbers whole.')
              : t('Quizzes that you are given, and those that are open to everyone, stand here.')}
          </p>
          {find && <Button onClick={onAll}>{t('Show all quizzes')}</Button>}
        </div>
      }
    />
  )
}
