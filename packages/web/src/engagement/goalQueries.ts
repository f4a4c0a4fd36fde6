import type { QueryOf } from '@jackdaw/contracts/endpoint'
import { getGoalResult, listGoalPeople, listGoals, removeGoal, setGoal, type NewGoal } from '@jackdaw/contracts/goals'
import type { GoalId } from '@jackdaw/core/shared'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const fresh = { staleTime: 0, placeholderData: keepPreviousData }
export const useGoals = () => useQuery({ queryKey: ['goals'], staleTime: 0, queryFn: ({ signal }) => call(listGoals, { signal }) })
export const useGoalResult = (goalId: GoalId, query: QueryOf<typeof getGoalResult>) =>
  useQuery({
    queryKey: ['goals', goalId, query],
    ...fresh,
    queryFn: ({ signal }) => call(getGoalResult, { params: { goalId }, query, signal }),
  })
export const useGoalPeople = (goalId: GoalId, query: QueryOf<typeof listGoalPeople>) =>
  useQuery({
    queryKey: ['goals', goalId, 'people', query],
    ...fresh,
    queryFn: ({ signal }) => call(listGoalPeople, { params: { goalId }, query, signal }),
  })
const anew = () => queryClient.invalidateQueries({ queryKey: ['goals'] })
export const useSetGoal = () =>
  useMutation({
    mutationFn: ({ id, ...body }: NewGoal & { id: GoalId }) => call(setGoal, { params: { goalId: id }, body }),
    onSuccess: anew,
  })
export const useRemoveGoal = () =>
  useMutation({ mutationFn: (goalId: GoalId) => call(removeGoal, { params: { goalId } }), onSettled: anew })
