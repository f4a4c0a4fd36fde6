import type { JobRow, JobState } from '@jackdaw/contracts/jobs'
import { JOBS, type JobName } from '@jackdaw/core/jobs'
import type { TFunction } from 'i18next'
import { Button, Failed, lengthOf, momentOf, Table, whenOf } from '../ui'
import { Progress } from '../ui/Progress'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { useRetryJob } from './queries'

const isJobName = (name: string): name is JobName => name in JOBS
/** What a job does; one of a newer server goes by its name. */
const wordsOf = (name: string, t: TFunction): string => (isJobName(name) ? t(JOBS[name].words) : name)

const when = (at: number | null) => (at === null ? '–' : <time title={momentOf(at)}>{whenOf(at)}</time>)

/** Which time of a job is of interest in its state, and what else. */
const OF_STATE: Record<JobState, { time: (row: JobRow) => number | null; timeHead: string; lastHead: string }> = {
  waiting: { time: (row) => row.nextAt, timeHead: 'Begins', lastHead: 'Why it waits again' },
  running: { time: (row) => row.startedAt, timeHead: 'Since', lastHead: 'How far' },
  failed: { time: (row) => row.endedAt, timeHead: 'Ended', lastHead: 'Reason' },
  done: { time: (row) => row.endedAt, timeHead: 'Ended', lastHead: 'Took' },
}

function LastCell({ row: { name, state, progress, reason, startedAt, endedAt } }: { row: JobRow }) {
  const { t } = useTexts()
  if (state === 'running') return <Progress label={wordsOf(name, t)} hidden done={progress?.done ?? 0} of={progress?.of ?? null} />
  if (state === 'done') return startedAt !== null && endedAt !== null ? lengthOf(endedAt - startedAt) : '–'
  return reason ?? (state === 'waiting' ? '' : t('No reason was told.'))
}

function useColumns(state: JobState, retry: ReturnType<typeof useRetryJob>): Column<JobRow>[] {
  const { t } = useTexts()
  const { time, timeHead, lastHead } = OF_STATE[state]
  const columns: Column<JobRow>[] = [
    { id: 'what', head: t('What'), className: 'font-semibold', cell: (row) => wordsOf(row.name, t) },
    { id: 'put', head: t('Put in'), from: 'sm', line: true, cell: (row) => when(row.putAt) },
    { id: 'time', head: t(timeHead), line: true, cell: (row) => when(time(row)) },
    {
      id: 'tries',
      head: t('Tried'),
      from: 'sm',
      line: true,
      cell: (row) => (row.tries === 0 ? t('not yet') : t('{{count}} times', { count: row.tries })),
    },
    { id: 'last', head: t(lastHead), className: '[overflow-wrap:anywhere]', cell: (row) => <LastCell row={row} /> },
  ]
  if (state !== 'failed') return columns
  const again = (row: JobRow) => (
    <Button disabled={retry.isPending} onClick={() => retry.mutate(row.id)}>
      {t('Try again')}
    </Button>
  )
  return [...columns, { id: 'again', head: t('Try again'), hidden: true, cell: again }]
}

/** Jobs of one state. */
export function JobRows({ rows, state }: { rows: JobRow[]; state: JobState }) {
  const { t } = useTexts()
  const retry = useRetryJob()
  const columns = useColumns(state, retry)
  const empty: Record<JobState, string> = {
    waiting: t('Nothing waits.'),
    running: t('Nothing is being done at the moment.'),
    failed: t('Nothing has failed.'),
    done: t('Nothing was done in the last seven days.'),
  }
  return (
    <>
      {retry.isError && <Failed error={retry.error} />}
      <Table label={t('Background work')} {...{ rows, columns }} keyOf={(row) => row.id} empty={<p className="py-6">{empty[state]}</p>} />
    </>
  )
}
