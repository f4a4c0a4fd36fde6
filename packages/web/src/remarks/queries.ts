import { listMyRemarks, listRemarks, sayWrong, settleRemark, type NewRemark, type Remark, type RemarkId } from '@jackdaw/contracts/remarks'
import type { GuideId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient, reading } from '../api'

const ASK_EVERY_MS = 30_000

export const useRemarks = (id: GuideId) =>
  useQuery({
    queryKey: ['remarks', id],
    refetchInterval: ASK_EVERY_MS,
    queryFn: ({ signal }) => call(listRemarks, { params: { id }, signal }),
  })
export const useMyRemarks = (enabled: boolean) =>
  useQuery({ queryKey: ['remarks', 'mine'], enabled, staleTime: 0, ...reading(listMyRemarks, {}) })

export const useSayWrong = (id: GuideId) => useMutation({ mutationFn: (body: NewRemark) => call(sayWrong, { params: { id }, body }) })

export const useSettleRemark = (id: GuideId) =>
  useMutation({
    mutationFn: ({ remarkId, done }: { remarkId: RemarkId; done: boolean }) =>
      call(settleRemark, { params: { id, remarkId }, body: { done } }),
    onSettled: () => queryClient.invalidateQueries({ queryKey: ['remarks'] }),
  })

/** Remarks by the step that they are about. */
export function byStep(remarks: readonly Remark[]): ReadonlyMap<string, readonly Remark[]> {
  const found = new Map<string, Remark[]>()
  for (const remark of remarks) found.set(remark.stepId, [...(found.get(remark.stepId) ?? []), remark])
  return found
}
