import { getMyReminders, getReminders, setMyReminders, setReminders, type CompanyReminders } from '@jackdaw/contracts/assignments'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

export const useReminders = () =>
  useQuery({ queryKey: ['reminders'], staleTime: 0, queryFn: ({ signal }) => call(getReminders, { signal }) })
export const useSetReminders = () =>
  useMutation({
    mutationFn: (body: CompanyReminders) => call(setReminders, { body }),
    onSuccess: () => queryClient.invalidateQueries(),
  })
export const useMyReminders = () => useQuery({ queryKey: ['my-reminders'], queryFn: ({ signal }) => call(getMyReminders, { signal }) })
export const useSetMyReminders = () =>
  useMutation({
    mutationFn: (before: number | null) => call(setMyReminders, { body: { before } }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['my-reminders'] }),
  })
