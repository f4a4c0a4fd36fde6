import { listRecorders, newPairingCode, revokeRecorder, type RecorderId } from '@jackdaw/contracts/recording'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'
import { askRecorder } from './extension'

const changed = () =>
  Promise.all([queryClient.invalidateQueries({ queryKey: ['recorders'] }), queryClient.invalidateQueries({ queryKey: ['extension'] })])

/** The recorder in this browser: whether it is there, and whether it is paired. `null`: not there. */
export const useExtension = () =>
  useQuery({ queryKey: ['extension'], queryFn: () => askRecorder({ ask: 'hello' }), staleTime: 0, refetchOnWindowFocus: 'always' })

/** Paired browsers; looked at again while a code waits to be typed somewhere. */
export const useRecorders = (waiting: boolean) =>
  useQuery({ queryKey: ['recorders'], queryFn: ({ signal }) => call(listRecorders, { signal }), refetchInterval: waiting ? 3_000 : false })
export const useNewCode = () => useMutation({ mutationFn: () => call(newPairingCode, {}) })
export const useRevoke = () => useMutation({ mutationFn: (id: RecorderId) => call(revokeRecorder, { params: { id } }), onSettled: changed })

/** Pairs the recorder of this very browser, without anybody typing the code. */
export const usePairHere = () =>
  useMutation({
    mutationFn: async () => {
      const { code } = await call(newPairingCode, {})
      const answer = await askRecorder({ ask: 'pair', code })
      if (!answer?.ok) throw new Error(answer?.why ?? 'The recorder in this browser did not answer.')
    },
    onSettled: changed,
  })
export const useRecord = () =>
  useMutation({
    mutationFn: async (ask: Extract<Parameters<typeof askRecorder>[0], { ask: 'record' }>) => {
      const answer = await askRecorder(ask)
      if (!answer?.ok) throw new Error(answer?.why ?? 'The recorder in this browser did not answer.')
      return answer
    },
  })
