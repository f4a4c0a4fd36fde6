import { changeGiving, endGiving, getWhyGiven, giveItem, listGivings, listMyGivings, previewGiving } from '@jackdaw/contracts/assignments'
import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import type { BodyOf } from '@jackdaw/contracts/endpoint'
import type { ItemId } from '@jackdaw/core/items'
import type { GivingId, PersonId } from '@jackdaw/core/shared'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

export const useGivings = (id: ItemId) =>
  useQuery({ queryKey: ['givings', id], staleTime: 0, queryFn: ({ signal }) => call(listGivings, { params: { id }, signal }) })
export const useMyGivings = () =>
  useQuery({ queryKey: ['my-givings'], staleTime: 0, queryFn: ({ signal }) => call(listMyGivings, { signal }) })
export const useGivingPreview = (id: ItemId, audience: AudienceChoice | null) =>
  useQuery({
    queryKey: ['giving-preview', id, audience],
    enabled: audience !== null,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(previewGiving, { params: { id }, body: { audience: audience! }, signal }),
  })
export const useWhyGiven = (id: PersonId, itemId: ItemId) =>
  useQuery({ queryKey: ['why-given', id, itemId], queryFn: ({ signal }) => call(getWhyGiven, { params: { id, itemId }, signal }) })
const changed = { onSuccess: () => queryClient.invalidateQueries() }
export const useGive = (id: ItemId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof giveItem>) => call(giveItem, { params: { id }, body }), ...changed })
export const useChangeGiving = (id: ItemId, givingId: GivingId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof changeGiving>) => call(changeGiving, { params: { id, givingId }, body }), ...changed })
export const useEndGiving = (id: ItemId) =>
  useMutation({ mutationFn: (givingId: GivingId) => call(endGiving, { params: { id, givingId } }), ...changed })
