import { getUseOverTime, listCountedRows, listOwners, listReaders, listUsedItems } from '@jackdaw/contracts/engagement'
import type { QueryOf } from '@jackdaw/contracts/endpoint'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { call } from '../api'

const fresh = { staleTime: 0, placeholderData: keepPreviousData }
export const useOverTime = (query: QueryOf<typeof getUseOverTime>) =>
  useQuery({ queryKey: ['engagement', 'over-time', query], ...fresh, queryFn: ({ signal }) => call(getUseOverTime, { query, signal }) })
export const useUsedItems = (query: QueryOf<typeof listUsedItems>) =>
  useQuery({ queryKey: ['engagement', 'items', query], ...fresh, queryFn: ({ signal }) => call(listUsedItems, { query, signal }) })
export const useCountedRows = (query: QueryOf<typeof listCountedRows>) =>
  useQuery({ queryKey: ['engagement', 'rows', query], ...fresh, queryFn: ({ signal }) => call(listCountedRows, { query, signal }) })
export const useReaders = (query: QueryOf<typeof listReaders>) =>
  useQuery({ queryKey: ['engagement', 'readers', query], ...fresh, queryFn: ({ signal }) => call(listReaders, { query, signal }) })
export const useOwners = (query: QueryOf<typeof listOwners>) =>
  useQuery({ queryKey: ['engagement', 'owners', query], ...fresh, queryFn: ({ signal }) => call(listOwners, { query, signal }) })
