import type { QueryOf } from '@jackdaw/contracts/endpoint'
import { getFigureRules, getOwnItemUse, listOwnUse, setFigureRules, type FigureRules } from '@jackdaw/contracts/ownUse'
import type { ItemId } from '@jackdaw/core/items'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const fresh = { staleTime: 0, placeholderData: keepPreviousData }
export const useOwnUse = (query: QueryOf<typeof listOwnUse>) =>
  useQuery({ queryKey: ['own-use', query], ...fresh, queryFn: ({ signal }) => call(listOwnUse, { query, signal }) })
export const useOwnItemUse = (id: ItemId, query: QueryOf<typeof getOwnItemUse>) =>
  useQuery({
    queryKey: ['own-use', id, query],
    ...fresh,
    queryFn: ({ signal }) => call(getOwnItemUse, { params: { id }, query, signal }),
  })
export const useFigureRules = () =>
  useQuery({ queryKey: ['figure-rules'], staleTime: 0, queryFn: ({ signal }) => call(getFigureRules, { signal }) })
export const useSaveFigureRules = () =>
  useMutation({
    mutationFn: (body: FigureRules) => call(setFigureRules, { body }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['figure-rules'] }),
  })
