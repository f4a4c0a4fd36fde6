import { suggest, type SuggestedGuide, type SuggestedStep } from '@jackdaw/contracts/library'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { call } from '../api'

/** Asked once nobody has typed for a moment. */
const SETTLED_MS = 160

type Found = { guides: readonly SuggestedGuide[]; steps: readonly SuggestedStep[]; state: 'still' | 'asking' | 'answered' | 'failed' }

/** Guides and steps that fit what somebody is typing. */
export function useSuggestions(typed: string): Found {
  const find = typed.trim()
  const [settled, setSettled] = useState('')
  useEffect(() => {
    const timer = setTimeout(() => setSettled(find), SETTLED_MS)
    return () => clearTimeout(timer)
  }, [find])
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
