import {
  archiveAudience,
  changeAudience,
  createAudience,
  explainAudience,
  getAudience,
  listAudiences,
  readAudience,
  tryAudience,
  type AudienceChoice,
  type AudienceSaving,
} from '@jackdaw/contracts/audiences'
import type { AudienceId, PersonId } from '@jackdaw/core/shared'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const changed = () => queryClient.invalidateQueries()

export const useAudiences = (asked = true) =>
  useQuery({ queryKey: ['audiences'], enabled: asked, queryFn: ({ signal }) => call(listAudiences, { signal }), staleTime: 0 })
export const useAudience = (audienceId: AudienceId) =>
  useQuery({
    queryKey: ['audiences', audienceId],
    queryFn: ({ signal }) => call(getAudience, { params: { audienceId }, signal }),
    staleTime: 0,
    refetchOnWindowFocus: false,
  })
/** Who is in it, before it is used; of a rule that is not whole yet nobody is asked. */
export const useAudienceTrial = (audience: AudienceChoice | null, find: string) =>
  useQuery({
    queryKey: ['audience-trial', audience, find],
    enabled: audience !== null,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(tryAudience, { body: { audience: audience!, ...(find ? { find } : {}) }, signal }),
  })
export const useAudienceExplanation = (audience: AudienceChoice | null, personId: PersonId | null) =>
  useQuery({
    queryKey: ['audience-explanation', audience, personId],
    enabled: audience !== null && personId !== null,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(explainAudience, { body: { audience: audience!, personId: personId! }, signal }),
  })
export const useSaveAudience = (audienceId: AudienceId | null) =>
  useMutation({
    mutationFn: async (body: AudienceSaving) => {
      if (audienceId === null) return (await call(createAudience, { body })).id
      await call(changeAudience, { params: { audienceId }, body })
      return audienceId
    },
    onSuccess: changed,
  })
export const useArchiveAudience = () =>
  useMutation({ mutationFn: (audienceId: AudienceId) => call(archiveAudience, { params: { audienceId } }), onSuccess: changed })
export const useReadSentence = () => useMutation({ mutationFn: (sentence: string) => call(readAudience, { body: { sentence } }) })
