import { countInbox } from '@jackdaw/contracts/inbox'
import { useQuery } from '@tanstack/react-query'
import { reading } from '../api'

const ASK_EVERY_MS = 60_000

/** How much is unread or waits; asked for again every minute while the page is seen. */
export const useInboxCounts = () =>
  useQuery({
    queryKey: ['inbox', 'counts'],
    ...reading(countInbox, {}),
    refetchInterval: ASK_EVERY_MS,
    staleTime: 20_000,
  })
