import { findPeople, getMe, listGroups, signIn, signOut, type Me } from '@jackdaw/contracts/people'
import type { SignIn } from '@jackdaw/contracts/signIn'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useOutletContext } from 'react-router'
import { call, forgetKept, keepAnswer, keptAnswer, queryClient, setSession } from '../api'

const KEY = ['session'] as const

/** Keeps who is signed in for the next visit, without what gives their requests force. */
const keepMe = (me: Me | null): void => (me ? keepAnswer(getMe.path, { ...me, csrf: '' }) : forgetKept())

export const meQuery = {
  queryKey: KEY,
  staleTime: 60_000,
  queryFn: async ({ signal }: { signal: AbortSignal }): Promise<Me | null> => {
    const me = await call(getMe, { signal })
    setSession(me)
    keepMe(me)
    return me
  },
}
/** Who was signed in at the last visit, until the server says who is. */
export function meAsBefore(): void {
  const me = keptAnswer<Me>(getMe.path)
  if (me) queryClient.setQueryData(KEY, me, { updatedAt: 1 })
}

/** The person who is signed in; only below the shell, which lets nobody else through. */
export const useMe = (): Me => useOutletContext<Me>()

export async function enter(credentials: SignIn): Promise<void> {
  const me = await call(signIn, { body: credentials })
  queryClient.clear()
  forgetKept()
  setSession(me)
  keepMe(me)
  queryClient.setQueryData(KEY, me)
}
/** Asks anew who is signed in, and what they may do. */
export async function reloadMe(): Promise<void> {
  await queryClient.fetchQuery({ ...meQuery, staleTime: 0 })
  location.reload()
}
export async function leave(): Promise<void> {
  await call(signOut, {})
  forgetKept()
  queryClient.clear()
}

/** People by a part of their name; asked for only when there is one. */
export const usePeople = (find: string) =>
  useQuery({
    queryKey: ['people', find],
    enabled: find !== '',
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(findPeople, { query: { find }, signal }),
    staleTime: 60_000,
  })
/** Everybody who may write guides. */
export const useWriters = () =>
  useQuery({
    queryKey: ['people', 'writers'],
    queryFn: ({ signal }) => call(findPeople, { query: { writers: 'yes' }, signal }),
    staleTime: 60_000,
  })
export const useGroups = () => useQuery({ queryKey: ['groups'], queryFn: ({ signal }) => call(listGroups, { signal }), staleTime: 60_000 })
