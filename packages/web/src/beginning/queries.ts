import type { BodyOf } from '@jackdaw/contracts/endpoint'
import { getFirstSteps, getLineOfWork, lookAtSetUp, setUpCompany, takeSuggestion, type SetUp } from '@jackdaw/contracts/beginning'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

export const useSetUpLink = (token: string) =>
  useQuery({
    queryKey: ['set-up', token],
    enabled: token !== '',
    retry: false,
    queryFn: async () => {
      await call(lookAtSetUp, { body: { token } })
      return { holds: true }
    },
  })
export const useSetUp = () => useMutation({ mutationFn: (body: SetUp) => call(setUpCompany, { body }) })

/** How far the company has come; asked for anew whenever it is looked at. */
export const useFirstSteps = (enabled = true) =>
  useQuery({ queryKey: ['first-steps'], enabled, queryFn: ({ signal }) => call(getFirstSteps, { signal }), staleTime: 0 })

export const useLineOfWork = () =>
  useQuery({ queryKey: ['line-of-work'], queryFn: ({ signal }) => call(getLineOfWork, { signal }), staleTime: 60_000 })
export const useTakeSuggestion = () =>
  useMutation({
    mutationFn: (body: BodyOf<typeof takeSuggestion>) => call(takeSuggestion, { body }),
    onSuccess: () => queryClient.invalidateQueries(),
  })
