import { columnsText, getPeopleFaults, previewPeopleFile, takePeopleIn, type FileEncoding } from '@jackdaw/contracts/peopleFiles'
import type { InvitationTime } from '@jackdaw/contracts/account'
import type { Column } from '@jackdaw/core/people'
import type { GroupId } from '@jackdaw/core/shared'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, callForFile, queryClient, saveFile } from '../../api'

/** A file with how it is to be read; `key` tells apart two files that were chosen one after the other. */
export type ChosenFile = {
  file: File
  key: number
  site: GroupId
  columns: readonly (Column | null)[] | null
  encoding: FileEncoding | null
  newGroups: boolean
}
const asked = ({ site, columns, encoding, newGroups }: ChosenFile) => ({
  site,
  columns: columns ? columnsText(columns) : undefined,
  encoding: encoding ?? undefined,
  newGroups: newGroups ? ('yes' as const) : undefined,
})
const bytesOf = ({ file }: ChosenFile) => new Blob([file], { type: 'application/octet-stream' })

/** What a file would do. */
export const usePreview = (chosen: ChosenFile) =>
  useQuery({
    queryKey: ['people-file', chosen.key, asked(chosen)],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(previewPeopleFile, { query: asked(chosen), bytes: bytesOf(chosen), signal }),
    staleTime: 0,
    gcTime: 0,
    retry: false,
    refetchOnWindowFocus: false,
  })

/** Gives the person the lines that are wrong, each with what is wrong with it. */
export const useSaveFaults = () =>
  useMutation({
    mutationFn: async (chosen: ChosenFile) =>
      saveFile(await callForFile(getPeopleFaults, { query: asked(chosen), bytes: bytesOf(chosen) }), 'lines-to-mend.csv'),
  })

type Taking = { chosen: ChosenFile; seen: string; withoutWrong: boolean; invite: InvitationTime }
/** Takes a file in. */
export const useTakeIn = () =>
  useMutation({
    mutationFn: ({ chosen, seen, withoutWrong, invite }: Taking) =>
      call(takePeopleIn, {
        query: { ...asked(chosen), seen, invite, withoutWrong: withoutWrong ? ('yes' as const) : undefined },
        bytes: bytesOf(chosen),
      }),
    onSuccess: () => queryClient.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'people-file' }),
  })
