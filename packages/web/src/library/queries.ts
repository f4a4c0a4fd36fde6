import type { BodyOf, QueryOf } from '@jackdaw/contracts/endpoint'
import { importGuide } from '@jackdaw/contracts/exchange'
import {
  changeFolder,
  changeGuide,
  createFolder,
  type createGuide,
  duplicateGuide,
  findQuizzes,
  listFolders,
  listGuides,
} from '@jackdaw/contracts/library'
import type { FolderId, GuideId } from '@jackdaw/core/shared'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { call, queryClient, reading } from '../api'
import { beginGuide, type Beginning } from './beginGuide'

const libraryChanged = () =>
  Promise.all([queryClient.invalidateQueries({ queryKey: ['folders'] }), queryClient.invalidateQueries({ queryKey: ['guides'] })])

export const useFolders = () => useQuery({ queryKey: ['folders'], ...reading(listFolders, {}) })
export const useGuides = (query: QueryOf<typeof listGuides>) =>
  useQuery({
    queryKey: ['guides', query],
    placeholderData: keepPreviousData,
    staleTime: 0,
    ...reading(listGuides, { query }),
  })

export const useFoundQuizzes = (query: QueryOf<typeof findQuizzes>) =>
  useQuery({ queryKey: ['quizzes-found', query], placeholderData: keepPreviousData, staleTime: 0, ...reading(findQuizzes, { query }) })

/** Makes a guide and puts in what it begins with; says how many of its pictures are stored. */
export function useBeginGuide() {
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null)
  const create = useMutation({
    mutationFn: ({ body, beginning }: { body: BodyOf<typeof createGuide>; beginning: Beginning }) =>
      beginGuide(body, beginning, (done, of) => setProgress({ done, of })),
    onSettled: libraryChanged,
  })
  return { create, progress }
}
export const useCreateFolder = () =>
  useMutation({ mutationFn: (body: BodyOf<typeof createFolder>) => call(createFolder, { body }), onSuccess: libraryChanged })
export const useChangeFolder = () =>
  useMutation({
    mutationFn: ({ folderId, ...body }: { folderId: FolderId } & BodyOf<typeof changeFolder>) =>
      call(changeFolder, { params: { folderId }, body }),
    onSuccess: libraryChanged,
  })
export const useChangeGuide = (id: GuideId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof changeGuide>) => call(changeGuide, { params: { id }, body }),
    onSettled: () => Promise.all([libraryChanged(), queryClient.invalidateQueries({ queryKey: ['draft', id] })]),
  })
/** Changes several guides in the same way, one after the other. What comes after one that is refused stays as it was. */
export const useChangeGuides = () =>
  useMutation({
    mutationFn: async ({ guides, ...body }: { guides: readonly { id: GuideId }[] } & BodyOf<typeof changeGuide>) => {
      for (const { id } of guides) await call(changeGuide, { params: { id }, body })
    },
    onSettled: (_answer, _error, { guides }) =>
      Promise.all([libraryChanged(), ...guides.map(({ id }) => queryClient.invalidateQueries({ queryKey: ['draft', id] }))]),
  })
export const useDuplicateGuide = (id: GuideId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof duplicateGuide>) => call(duplicateGuide, { params: { id }, body }),
    onSuccess: libraryChanged,
  })
export const useImport = () =>
  useMutation({
    mutationFn: ({ file, folder }: { file: File; folder: FolderId | undefined }) =>
      call(importGuide, {
        query: { name: file.name, folder },
        bytes: new Blob([file], { type: 'application/octet-stream' }),
      }),
    onSuccess: libraryChanged,
  })
