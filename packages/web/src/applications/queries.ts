import { connectApplication, disconnectApplication, listActNames, listApplications } from '@jackdaw/contracts/applications'
import type { ApplicationId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

export const useApplications = () =>
  useQuery({ queryKey: ['applications'], staleTime: 0, queryFn: ({ signal }) => call(listApplications, { signal }) })
const anew = () => queryClient.invalidateQueries({ queryKey: ['applications'] })
export const useConnectApplication = () =>
  useMutation({
    mutationFn: (name: string) => call(connectApplication, { body: { name, scopes: ['acts.tell'] } }),
    onSuccess: anew,
  })
export const useDisconnectApplication = () =>
  useMutation({
    mutationFn: (applicationId: ApplicationId) => call(disconnectApplication, { params: { applicationId } }),
    onSettled: anew,
  })
/** The acts of which applications have told. */
export const useActNames = () => useQuery({ queryKey: ['act-names'], queryFn: ({ signal }) => call(listActNames, { signal }) })
