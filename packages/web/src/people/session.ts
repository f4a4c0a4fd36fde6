import { findPeople, getMe, listGroups, signIn, signOut, type Me } from '@jackdaw/contracts/people'
import type { SignIn } from '@jackdaw/contracts/signIn'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useOutletContext } from 'react-router'
import { call, queryClient, setSession } from '../api'

const KEY = ['session'] as const

export const meQuery = {
  queryKey: KEY,
  staleTime: 60_000,
  queryFn: async ({ signal }: { signal: AbortSignal }): Promise<Me | null> => {
    const me = await call(getMe, { signal })
    setSession(me)
    return me
  },
}

/** The person who is signed in; only below the shell, which lets nobody else through. */
export const useMe = (): Me => useOutletContext<Me>()

export async function enter(credentials: SignIn): Promise<void> {
  const me = await call(signIn, { body: credentials })
  queryClient.clear()
  setSession(me)
  queryClient.setQueryData(KEY, me)
}
export async function leave(): Promise<void> {
  await call(signOut, {})
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
