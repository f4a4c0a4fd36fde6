import { JobStart, JobState } from '@jackdaw/contracts/jobs'
import { JOBS, type JobName } from '@jackdaw/core/jobs'
import { keysOf } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { Button, Failed, Loaded, Select, TitleLine, useSearch } from '../ui'
import { useFormOf } from '../ui/fields/useFormOf'
import { Tabs } from '../ui/Tabs'
import { useTexts } from '../ui/words/texts'
import { JobRows } from './JobRows'
import { useJobs, useStartJob } from './queries'

const SEARCH = { state: JobState, of: z.enum(keysOf(JOBS)) }

/** What is done apart from requests: what waits, what runs, what failed and why. */
export function JobsPage() {
  const { t } = useTexts()
  const { search, set } = useSearch(SEARCH)
  const { of: name, state = 'failed' } = search
  const query = useJobs(state, name)
  const states: Record<JobState, string> = { failed: t('Failed'), running: t('Running'), waiting: t('Waiting'), done: t('Done') }
  return (
    <>
      <title>{t('Background work – Jackdaw')}</title>
      <TitleLine
        title={t('Background work')}
        state={t('What the server does by itself: mails, tidying up, counting. What was done is kept here for seven days.')}
      />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
        <Tabs
          label={t('Show')}
          chosen={state}
          onChoose={(next) => set({ state: next })}
          tabs={keysOf(states).map((each) => ({ value: each, words: states[each], n: query.data?.counts[each] }))}
        >
          <div className="flex flex-wrap items-end gap-x-6 gap-y-3 py-3">
            <div className="w-80 max-w-full">
              <Select label={t('Of which kind')} value={name ?? ''} onChange={(event) => set({ of: event.target.value || undefined })}>
                <option value="">{t('All kinds')}</option>
                <JobOptions names={keysOf(JOBS)} />
              </Select>
            </div>
            <DoNow />
          </div>
          <Loaded query={query}>{({ rows }) => <JobRows rows={rows} state={state} />}</Loaded>
        </Tabs>
      </div>
    </>
  )
}

function JobOptions({ names }: { names: readonly JobName[] }) {
  const { t } = useTexts()
  return names.map((name) => (
    <option key={name} value={name}>
      {t(JOBS[name].words)}
    </option>
  ))
}

/** Has something done now that else waits until it is due. */
function DoNow() {
  const { t } = useTexts()
  const start = useStartJob()
  const { register, sending, watch } = useFormOf(JobStart, {})
  return (
    <form className="flex flex-wrap items-end gap-2" onSubmit={sending(({ name }) => start.mutate(name))}>
      <div className="w-80 max-w-full">
        <Select label={t('Have something done now')} {...register('name', { onChange: () => start.reset() })}>
          <option value="">{t('Choose')}</option>
          <JobOptions names={keysOf(JOBS).filter((each) => JOBS[each].byHand)} />
        </Select>
      </div>
      <Button type="submit" className="min-h-10" disabled={!watch('name') || start.isPending}>
        {t('Do it now')}
      </Button>
      <span role="status" className="text-sm text-soft min-h-10 flex items-center">
        {start.isSuccess && t('It waits for its turn.')}
      </span>
      {start.isError && <Failed error={start.error} />}
    </form>
  )
}
