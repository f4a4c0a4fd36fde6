import type { JobRow, JobState } from '@jackdaw/contracts/jobs'
import { JOBS, type JobName } from '@jackdaw/core/jobs'
import type { TFunction } from 'i18next'
import { Button, Failed, lengthOf, momentOf, whenOf } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useRetryJob } from './queries'

const isJobName = (name: string): name is JobName => name in JOBS
/** What a job does; one of a newer server goes by its name. */
const wordsOf = (name: string, t: TFunction): string => (isJobName(name) ? t(JOBS[name].words) : name)

const HEAD = 'text-left font-semibold py-1.5 pr-4'
const CELL = 'py-2 pr-4 align-top'
const when = (at: number | null) => (at === null ? '–' : <time title={momentOf(at)}>{whenOf(at)}</time>)

/** Which time of a job is of interest in its state, and what else. */
const OF_STATE: Record<JobState, { time: (row: JobRow) => number | null; timeHead: string; lastHead: string }> = {
  waiting: { time: (row) => row.nextAt, timeHead: 'Begins', lastHead: 'Why it waits again' },
  running: { time: (row) => row.startedAt, timeHead: 'Since', lastHead: 'How far' },
  failed: { time: (row) => row.endedAt, timeHead: 'Ended', lastHead: 'Reason' },
  done: { time: (row) => row.endedAt, timeHead: 'Ended', lastHead: 'Took' },
}

function lastColumn({ state, progress, reason, startedAt, endedAt }: JobRow, t: TFunction): string {
  if (state === 'running') return progress ? t('{{done}} of {{of}}', progress) : t('under way')
  if (state === 'done') return startedAt !== null && endedAt !== null ? lengthOf(endedAt - startedAt) : '–'
  return reason ?? (state === 'waiting' ? '' : t('No reason was told.'))
}

/** Jobs of one state. */
export function JobRows({ rows, state }: { rows: JobRow[]; state: JobState }) {
  const { t } = useTexts()
  const retry = useRetryJob()
  const empty: Record<JobState, string> = {
    waiting: t('Nothing waits.'),
    running: t('Nothing is being done at the moment.'),
    failed: t('Nothing has failed.'),
    done: t('Nothing was done in the last seven days.'),
  }
  if (rows.length === 0) return <p className="py-6">{empty[state]}</p>
  const { time, timeHead, lastHead } = OF_STATE[state]
  return (
    <div className="overflow-x-auto">
      {retry.isError && <Failed error={retry.error} />}
      <table className="w-full text-sm">
        <thead className="border-b-2 border-ink">
          <tr>
            <th scope="col" className={HEAD}>
              {t('What')}
            </th>
            <th scope="col" className={`${HEAD} hidden sm:table-cell`}>
              {t('Put in')}
            </th>
            <th scope="col" className={HEAD}>
              {t(timeHead)}
            </th>
            <th scope="col" className={`${HEAD} hidden sm:table-cell`}>
              {t('Tried')}
            </th>
            <th scope="col" className={HEAD}>
              {t(lastHead)}
            </th>
            {state === 'failed' && <td />}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id} className="border-b border-hair">
              <td className={`${CELL} font-semibold`}>{wordsOf(row.name, t)}</td>
              <td className={`${CELL} whitespace-nowrap hidden sm:table-cell`}>{when(row.putAt)}</td>
              <td className={`${CELL} whitespace-nowrap`}>{when(time(row))}</td>
              <td className={`${CELL} whitespace-nowrap hidden sm:table-cell tabular-nums`}>
                {row.tries === 0 ? t('not yet') : t('{{count}} times', { count: row.tries })}
              </td>
              <td className={`${CELL} [overflow-wrap:anywhere]`}>{lastColumn(row, t)}</td>
              {state === 'failed' && (
                <td className={CELL}>
                  <Button disabled={retry.isPending} onClick={() => retry.mutate(row.id)}>
                    {t('Try again')}
                  </Button>
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
