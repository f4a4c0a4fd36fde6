import { getCalendar, readCalendarFile, saveCalendar, type SiteCalendar } from '@jackdaw/contracts/calendar'
import type { GroupId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

export const useCalendar = (groupId: GroupId) =>
  useQuery({ queryKey: ['calendar', groupId], queryFn: ({ signal }) => call(getCalendar, { params: { groupId }, signal }), staleTime: 0 })
export const useSaveCalendar = (groupId: GroupId) =>
  useMutation({
    mutationFn: (body: SiteCalendar) => call(saveCalendar, { params: { groupId }, body }),
    onSuccess: () => queryClient.invalidateQueries(),
  })
/** Reads the days off of a calendar file. */
export const useReadCalendarFile = () =>
  useMutation({ mutationFn: (file: File) => call(readCalendarFile, { bytes: new Blob([file], { type: 'text/calendar' }) }) })
