import type { TaskRow } from '@jackdaw/contracts/tasks'
import { taskItem } from '@jackdaw/core/items'
import { Link } from 'react-router'
import * as z from 'zod/mini'
import { PlanTabs, recordsOf } from '../items'
import { ButtonLink, Loaded, Table, TextLink, TitleLine, useSearch, whenOf } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { useTasks } from './queries'

/** The tasks that one may write. */
export function TasksPage() {
  const { t } = useTexts()
  const { search } = useSearch({ archived: z.literal('yes') })
  const archived = search.archived === 'yes'
  const columns = useColumns()
  return (
    <>
      <title>{t('Tasks – Jackdaw')}</title>
      <TitleLine
        title={archived ? t('Tasks in the archive') : t('Tasks')}
        state={t('Done in the real world, handed in, and confirmed by somebody else')}
      >
        <ButtonLink look="quiet" to={archived ? '/tasks' : '/tasks?archived=yes'}>
          {archived ? t('Back to the tasks') : t('Archive')}
        </ButtonLink>
        <ButtonLink look="primary" to="/tasks/new">
          {t('Write a task')}
        </ButtonLink>
      </TitleLine>
      <PlanTabs />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-3">
        <Loaded query={useTasks(archived)}>
          {(rows) => (
            <Table
              label={t('Tasks')}
              {...{ rows, columns }}
              keyOf={(row) => row.id}
              empty={
                <p className="py-4">
                  {archived
                    ? t('Nothing is in the archive.')
                    : t(
                        'A task is something that nobody can do on a screen: walk the fire route, show the wash-down. Write the first one.',
                      )}
                </p>
              }
            />
          )}
        </Loaded>
      </div>
    </>
  )
}

function useColumns(): Column<TaskRow>[] {
  const { t } = useTexts()
  const state = ({ edition, changed }: TaskRow) =>
    edition === null ? t('Draft') : changed ? t('Edition {{n}}, changed since', { n: edition }) : t('Edition {{n}}', { n: edition })
  return [
    { id: 'number', head: t('No.'), from: 'sm', className: 'text-soft', cell: (row) => row.number },
    {
      id: 'title',
      head: t('Task'),
      className: 'min-w-52',
      cell: (row) => (
        <Link to={`/tasks/${row.id}/edit`} className="font-semibold text-base hover:underline">
          {row.title}
        </Link>
      ),
    },
    { id: 'state', head: t('State'), line: true, cell: state },
    { id: 'minutes', head: t('Time'), from: 'md', cell: (row) => t('{{minutes}} min', { minutes: row.minutes }) },
    {
      id: 'people',
      head: t('People'),
      cell: (row) =>
        row.edition === null ? (
          '–'
        ) : (
          <span className="whitespace-nowrap">
            <TextLink to={recordsOf(taskItem(row.id))}>{t('{{done}} of {{all}} done', { done: row.done, all: row.people })}</TextLink>
            {row.waiting > 0 && <span className="text-petrol"> · {t('{{count}} waiting', { count: row.waiting })}</span>}
          </span>
        ),
    },
    { id: 'owner', head: t('Owner'), from: 'lg', line: true, cell: (row) => row.owner.name },
    { id: 'changed', head: t('Changed'), from: 'lg', line: true, cell: (row) => whenOf(row.changedAt) },
  ]
}
