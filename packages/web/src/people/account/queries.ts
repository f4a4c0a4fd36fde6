import {
  changeMyPassword,
  choosePassword,
  endMySessions,
  forgotPassword,
  getInvitation,
  givePassword,
  invitePerson,
  listMySessions,
  listRightsChanges,
  lookAtLink,
  withdrawInvitation,
  type InvitationTime,
  type LinkKind,
} from '@jackdaw/contracts/account'
import type { BodyOf } from '@jackdaw/contracts/endpoint'
import type { PersonId } from '@jackdaw/core/shared'
import { useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../../api'

const changed = () => queryClient.invalidateQueries()

export const useChangePassword = () =>
  useMutation({ mutationFn: (body: BodyOf<typeof changeMyPassword>) => call(changeMyPassword, { body }), onSuccess: changed })
export const useLink = (kind: LinkKind, token: string) =>
  useQuery({
    queryKey: ['password-link', kind, token],
    enabled: token !== '',
    queryFn: ({ signal }) => call(lookAtLink, { body: { kind, token }, signal }),
    staleTime: Infinity,
    retry: false,
  })
export const useChoosePassword = () => useMutation({ mutationFn: (body: BodyOf<typeof choosePassword>) => call(choosePassword, { body }) })
export const useForgotten = () => useMutation({ mutationFn: (body: BodyOf<typeof forgotPassword>) => call(forgotPassword, { body }) })
export const useMySessions = () =>
  useQuery({ queryKey: ['my-sessions'], queryFn: ({ signal }) => call(listMySessions, { signal }), staleTime: 0 })
/** Ends one session, or all but the present one. */
export const useEndSessions = () =>
  useMutation({ mutationFn: (id: string | null) => call(endMySessions, { body: id === null ? {} : { id } }), onSuccess: changed })
export const useInvitation = (id: PersonId, asked: boolean) =>
  useQuery({
    queryKey: ['invitation', id],
    enabled: asked,
    queryFn: ({ signal }) => call(getInvitation, { params: { id }, signal }),
    staleTime: 0,
    // Until the mail has left, it is asked whether it has.
    refetchInterval: ({ state: { data } }) => {
      const sent = data?.invitation
      const leaving = sent && sent.sentAt === null && sent.withdrawnAt === null && sent.sendAt !== null && sent.sendAt <= Date.now()
      return leaving ? 1_000 : false
    },
  })
export const useInvite = (id: PersonId) =>
  useMutation({ mutationFn: (when: InvitationTime) => call(invitePerson, { params: { id }, body: { when } }), onSuccess: changed })
export const useWithdraw = (id: PersonId) =>
  useMutation({ mutationFn: () => call(withdrawInvitation, { params: { id } }), onSuccess: changed })
export const useGivePassword = (id: PersonId) =>
  useMutation({ mutationFn: () => call(givePassword, { params: { id } }), onSuccess: changed })
export const useRightsChanges = () =>
  useInfiniteQuery({
    queryKey: ['rights-changes'],
    initialPageParam: null as number | null,
    queryFn: ({ pageParam, signal }) => call(listRightsChanges, { query: pageParam === null ? {} : { before: pageParam }, signal }),
    getNextPageParam: (last) => (last.more ? (last.rows.at(-1)?.at ?? null) : null),
  })
