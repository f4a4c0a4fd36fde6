import { getToday } from '@jackdaw/contracts/reading'
import { getPublication, previewAudience, publishGuide, withdrawEdition } from '@jackdaw/contracts/publishing'
import type { BodyOf, ResponseOf } from '@jackdaw/contracts/endpoint'
import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import { handleAssignments, previewHandling } from '@jackdaw/contracts/assignments'
import type { Handling } from '@jackdaw/core/assignments'
import type { ItemId } from '@jackdaw/core/items'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, keepAnswer, keptAnswer, queryClient } from '../api'
import { readingSettled } from '../events'

const today = readingSettled(getToday, {})
export const useToday = () =>
  useQuery({
    queryKey: ['today'],
    ...today,
    // At the next visit it is shown until the server answers.
    initialData: () => today.initialData() ?? keptAnswer<ResponseOf<typeof getToday>>(getToday.path),
    initialDataUpdatedAt: 1,
    queryFn: async (asked) => {
      const answer = await today.queryFn(asked)
      keepAnswer(getToday.path, answer)
      return answer
    },
    staleTime: 0,
    refetchOnMount: 'always',
  })
export const usePublication = (id: GuideId) =>
  useQuery({
    queryKey: ['publication', id],
    queryFn: ({ signal }) => call(getPublication, { params: { id }, signal }),
    staleTime: 0,
    refetchOnWindowFocus: false,
  })
export const useAudiencePreview = (id: GuideId, audience: AudienceChoice | null) =>
  useQuery({
    queryKey: ['audience-preview', id, audience],
    enabled: audience !== null,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(previewAudience, { params: { id }, body: { audience: audience! }, signal }),
  })
export const usePublish = (id: GuideId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof publishGuide>) => call(publishGuide, { params: { id }, body }),
    onSuccess: () => queryClient.invalidateQueries(),
  })
/** Withdraws an edition. */
export const useWithdraw = (id: GuideId) =>
  useMutation({
    mutationFn: ({ edition, why }: { edition: number; why: string }) => call(withdrawEdition, { params: { id, edition }, body: { why } }),
    onSuccess: () => queryClient.invalidateQueries(),
  })
/** What would come of handling assignments. */
export const useHandlingPreview = (id: ItemId, people: readonly PersonId[], handling: Handling) =>
  useQuery({
    queryKey: ['handling', id, people, handling],
    placeholderData: keepPreviousData,
    staleTime: 0,
    queryFn: ({ signal }) => call(previewHandling, { params: { id }, body: { people: [...people], handling }, signal }),
  })
export const useHandle = (id: ItemId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof handleAssignments>) => call(handleAssignments, { params: { id }, body }),
    onSuccess: () => queryClient.invalidateQueries(),
  })
