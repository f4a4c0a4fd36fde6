import { createExport, getExport, listExports, removeExport, type ExportOrder, type ExportRow } from '@jackdaw/contracts/exports'
import type { ExportId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const ASK_EVERY_MS = 700
/** Whether something is still to come of a file. */
export const isUnderWay = ({ state }: Pick<ExportRow, 'state'>): boolean => state === 'waiting' || state === 'writing'
const changed = (): Promise<void> => queryClient.invalidateQueries({ queryKey: ['exports'] })

/** The files that one has had made; asked for again as long as one of them is being written. */
export const useExports = () =>
  useQuery({
    queryKey: ['exports'],
    queryFn: ({ signal }) => call(listExports, { signal }),
    refetchInterval: ({ state }) => (state.data?.some(isUnderWay) ? 2 * ASK_EVERY_MS : false),
  })
/** One of them, until it is there. */
export const useExport = (id: ExportId | null) =>
  useQuery({
    queryKey: ['exports', id],
    enabled: id !== null,
    queryFn: ({ signal }) => call(getExport, { params: { id: id! }, signal }),
    refetchInterval: ({ state }) => (state.data && !isUnderWay(state.data) ? false : ASK_EVERY_MS),
  })
export const useCreateExport = () => useMutation({ mutationFn: (body: ExportOrder) => call(createExport, { body }), onSuccess: changed })
export const useRemoveExport = () =>
  useMutation({ mutationFn: (id: ExportId) => call(removeExport, { params: { id } }), onSettled: changed })
