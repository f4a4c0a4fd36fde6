import { chooseMail, getMailChoice, listInbox, markAllRead, markEntry, stopMails, type MailChoice } from '@jackdaw/contracts/inbox'
import type { InboxPart } from '@jackdaw/contracts/inboxPart'
import type { EntryId } from '@jackdaw/core/shared'
import { useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const changed = (): Promise<void> => queryClient.invalidateQueries({ queryKey: ['inbox'] })

/** The entries of a part, as many as were asked for. */
export const useInbox = (part: InboxPart) =>
  useInfiniteQuery({
    queryKey: ['inbox', 'list', part],
    initialPageParam: undefined as { before: number; beforeId: EntryId } | undefined,
    queryFn: ({ signal, pageParam }) => call(listInbox, { query: { part, ...pageParam }, signal }),
    getNextPageParam: ({ rows, more }) => {
      const last = rows.at(-1)
      return more && last ? { before: last.at, beforeId: last.id } : undefined
    },
  })
export const useMarkEntry = () =>
  useMutation({
    mutationFn: ({ id, read }: { id: EntryId; read: boolean }) => call(markEntry, { params: { entryId: id }, body: { read } }),
    onSettled: changed,
  })
export const useMarkAllRead = () =>
  useMutation({ mutationFn: (until: number) => call(markAllRead, { body: { until } }), onSettled: changed })

export const useMailChoice = () => useQuery({ queryKey: ['mail-choice'], queryFn: ({ signal }) => call(getMailChoice, { signal }) })
export const useChooseMail = () =>
  useMutation({
    mutationFn: (kinds: Partial<MailChoice['kinds']>) => call(chooseMail, { body: { kinds } }),
    onSettled: () => queryClient.invalidateQueries({ queryKey: ['mail-choice'] }),
  })
export const useStopMails = () => useMutation({ mutationFn: (token: string) => call(stopMails, { body: { token } }) })
