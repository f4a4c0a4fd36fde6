import { suggest, type SuggestedGuide, type SuggestedStep } from '@jackdaw/contracts/library'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { call } from '../api'
import type { Suggested } from '../ui/fields/Suggest'
import { useSettled } from '../ui/fields/useSettled'

type Found = { guides: readonly SuggestedGuide[]; steps: readonly SuggestedStep[]; state: Suggested }

/** Guides and steps that fit what somebody is typing. */
export function useSuggestions(typed: string): Found {
  const find = typed.trim()
  const settled = useSettled(find)
  const query = useQuery({
    queryKey: ['suggestions', settled],
    enabled: settled !== '',
    placeholderData: keepPreviousData,
    staleTime: 20_000,
    retry: false,
    queryFn: ({ signal }) => call(suggest, { query: { find: settled }, signal }),
  })
  const { guides = [], steps = [] } = find === '' ? {} : (query.data ?? {})
  const asking = find !== settled || query.isFetching || query.isPlaceholderData
  const state = find === '' ? 'still' : query.isError ? 'failed' : asking ? 'asking' : 'answered'
  return { guides, steps, state }
}
