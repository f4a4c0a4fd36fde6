import { answerCheckIn, getCheckIn, listCheckInsOf, listMyCheckIns } from '@jackdaw/contracts/checkIns'
import type { Answer } from '@jackdaw/core/plans'
import type { CheckInId, PersonId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient, reading } from '../../api'

export const useMyCheckIns = () => useQuery({ queryKey: ['my-check-ins'], ...reading(listMyCheckIns, {}), staleTime: 0 })
export const useCheckInsOf = (id: PersonId) =>
  useQuery({
    queryKey: ['look-as', id, 'check-ins'],
    staleTime: 0,
    queryFn: ({ signal }) => call(listCheckInsOf, { params: { id }, signal }),
  })
/** What somebody is writing is not asked for again meanwhile. */
export const useCheckIn = (id: CheckInId) =>
  useQuery({
    queryKey: ['check-in', id],
    staleTime: 0,
    refetchOnWindowFocus: false,
    queryFn: ({ signal }) => call(getCheckIn, { params: { id }, signal }),
  })
export const useAnswerCheckIn = (id: CheckInId) =>
  useMutation({
    mutationFn: (answers: Answer[]) => call(answerCheckIn, { params: { id }, body: { answers } }),
    onSuccess: () => queryClient.invalidateQueries(),
  })
