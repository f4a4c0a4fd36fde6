import {
  getJourney,
  getUseOverTime,
  listCountedRows,
  listOwners,
  listReaders,
  listReleases,
  listTimedSteps,
  removeRelease,
  setRelease,
  type Release,
  listUsedDays,
  listUsedItems,
  listVisits,
} from '@jackdaw/contracts/engagement'
import type { QueryOf } from '@jackdaw/contracts/endpoint'
import type { GuideId, PersonId, ReleaseId } from '@jackdaw/core/shared'
import { keepPreviousData, skipToken, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const fresh = { staleTime: 0, placeholderData: keepPreviousData }
export const useOverTime = (query: QueryOf<typeof getUseOverTime>) =>
  useQuery({ queryKey: ['engagement', 'over-time', query], ...fresh, queryFn: ({ signal }) => call(getUseOverTime, { query, signal }) })
export const useUsedItems = (query: QueryOf<typeof listUsedItems>) =>
  useQuery({ queryKey: ['engagement', 'items', query], ...fresh, queryFn: ({ signal }) => call(listUsedItems, { query, signal }) })
export const useTimedSteps = (query: QueryOf<typeof listTimedSteps>) =>
  useQuery({ queryKey: ['engagement', 'steps', query], ...fresh, queryFn: ({ signal }) => call(listTimedSteps, { query, signal }) })
export const useCountedRows = (query: QueryOf<typeof listCountedRows>) =>
  useQuery({ queryKey: ['engagement', 'rows', query], ...fresh, queryFn: ({ signal }) => call(listCountedRows, { query, signal }) })
export const useReaders = (query: QueryOf<typeof listReaders>) =>
  useQuery({ queryKey: ['engagement', 'readers', query], ...fresh, queryFn: ({ signal }) => call(listReaders, { query, signal }) })
export const useOwners = (query: QueryOf<typeof listOwners>) =>
  useQuery({ queryKey: ['engagement', 'owners', query], ...fresh, queryFn: ({ signal }) => call(listOwners, { query, signal }) })
/** @param query `null` where there is nothing to be asked */
export const useJourney = (id: GuideId, query: QueryOf<typeof getJourney> | null) =>
  useQuery({
    queryKey: ['engagement', 'journey', id, query],
    ...fresh,
    queryFn: query === null ? skipToken : ({ signal }) => call(getJourney, { params: { id }, query, signal }),
  })
export const useVisits = (id: GuideId, query: QueryOf<typeof listVisits>) =>
  useQuery({
    queryKey: ['engagement', 'visits', id, query],
    ...fresh,
    queryFn: ({ signal }) => call(listVisits, { params: { id }, query, signal }),
  })
export const useUsedDays = (id: PersonId, query: QueryOf<typeof listUsedDays>) =>
  useQuery({
    queryKey: ['engagement', 'used-days', id, query],
    ...fresh,
    queryFn: ({ signal }) => call(listUsedDays, { params: { id }, query, signal }),
  })
/** @param asked whether the asker may see figures of others at all */
export const useReleases = (asked: boolean) =>
  useQuery({ queryKey: ['releases'], enabled: asked, queryFn: ({ signal }) => call(listReleases, { signal }) })
const anew = () => queryClient.invalidateQueries({ queryKey: ['releases'] })
export const useSetRelease = () =>
  useMutation({
    mutationFn: ({ id, ...body }: Release) => call(setRelease, { params: { releaseId: id }, body }),
    onSettled: anew,
  })
export const useRemoveRelease = () =>
  useMutation({ mutationFn: (releaseId: ReleaseId) => call(removeRelease, { params: { releaseId } }), onSettled: anew })
