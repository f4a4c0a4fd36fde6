import { listJobs, retryJob, startJob, type JobState } from '@jackdaw/contracts/jobs'
import type { JobName } from '@jackdaw/core/jobs'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const ASK_EVERY_MS = 3_000
const changed = (): Promise<void> => queryClient.invalidateQueries({ queryKey: ['jobs'] })

/** The jobs in a state, asked for again and again: they come and go by themselves. */
export const useJobs = (state: JobState, name: JobName | undefined) =>
  useQuery({
    queryKey: ['jobs', state, name],
    queryFn: ({ signal }) => call(listJobs, { query: { state, name }, signal }),
    refetchInterval: ASK_EVERY_MS,
    placeholderData: keepPreviousData,
  })
export const useRetryJob = () => useMutation({ mutationFn: (jobId: string) => call(retryJob, { params: { jobId } }), onSettled: changed })
export const useStartJob = () => useMutation({ mutationFn: (name: JobName) => call(startJob, { body: { name } }), onSettled: changed })
