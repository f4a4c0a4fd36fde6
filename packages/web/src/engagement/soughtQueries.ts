import type { QueryOf } from '@jackdaw/contracts/endpoint'
import { listSearches, listSought } from '@jackdaw/contracts/searches'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { call } from '../api'

const fresh = { staleTime: 0, placeholderData: keepPreviousData }
export const useSought = (query: QueryOf<typeof listSought>) =>
  useQuery({ queryKey: ['sought', query], ...fresh, queryFn: ({ signal }) => call(listSought, { query, signal }) })
export const useSearches = (query: QueryOf<typeof listSearches>) =>
  useQuery({ queryKey: ['sought', 'rows', query], ...fresh, queryFn: ({ signal }) => call(listSearches, { query, signal }) })
