import type { RecordedAttempt } from '@jackdaw/contracts/attempts'
import { Link } from 'react-router'
import type { QuizAttemptId } from '@jackdaw/core/shared'
import { lengthOf, momentOf, Table } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'

/** Attempts in the records, each leading to what was answered. */
export function AttemptRows({ attempts, leadsTo }: { attempts: readonly RecordedAttempt[]; leadsTo: (id: QuizAttemptId) => string }) {
  const { t } = useTexts()
  const result = ({ endedAt, passed }: RecordedAttempt) =>
    endedAt === null ? t('under way') : passed === null ? t('waits to be judged') : passed ? t('passed') : t('not passed')
  const columns: Column<RecordedAttempt>[] = [
    { id: 'number', head: t('Attempt'), cell: (row) => row.number },
    {
      id: 'result',
      head: t('Result'),
      cell: (row) =>
        row.endedAt === null ? (
          result(row)
        ) : (
          <Link to={leadsTo(row.attemptId)} className="text-petrol font-semibold hover:underline">
            {result(row)}
          </Link>
        ),
    },
    { id: 'percent', head: t('Points'), cell: (row) => (row.percent === null ? '–' : `${row.percent} %`) },
    {
      id: 'right',
      head: t('Right'),
      from: 'sm',
      cell: (row) => (row.right === null ? '–' : t('{{right}} of {{questions}}', { right: row.right, questions: row.questions })),
    },
    { id: 'time', head: t('Time'), from: 'md', cell: (row) => (row.endedAt === null ? '–' : lengthOf(row.endedAt - row.openedAt)) },
    { id: 'edition', head: t('Edition'), from: 'md', cell: (row) => row.edition },
    {
      id: 'when',
      head: t('When'),
      line: true,
      cell: (row) => `${momentOf(row.endedAt ?? row.openedAt)}${row.ended === 'time-over' ? ` · ${t('time over')}` : ''}`,
    },
  ]
  return <Table label={t('Attempts')} rows={attempts} columns={columns} keyOf={(row) => row.attemptId} empty={null} />
}
