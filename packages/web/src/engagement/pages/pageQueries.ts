import {
  getFigurePage,
  listFigurePages,
  mailFigurePage,
  removeFigurePage,
  setFigurePage,
  type FigurePage,
} from '@jackdaw/contracts/figurePages'
import type { FigurePageId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../../api'

export const useFigurePages = () =>
  useQuery({ queryKey: ['figure-pages'], staleTime: 0, queryFn: ({ signal }) => call(listFigurePages, { signal }) })
export const useFigurePage = (pageId: FigurePageId) =>
  useQuery({
    queryKey: ['figure-pages', pageId],
    staleTime: 0,
    queryFn: ({ signal }) => call(getFigurePage, { params: { pageId }, signal }),
  })
const anew = () => queryClient.invalidateQueries({ queryKey: ['figure-pages'] })
type Saved = Pick<FigurePage, 'id' | 'name' | 'shared' | 'parts' | 'revision'>
const store = ({ id, name, shared, parts, revision }: Saved) =>
  call(setFigurePage, { params: { pageId: id }, body: { name, shared, parts, revision } })
/** Saves a page as it is given. */
export const useSaveFigurePage = () => useMutation({ mutationFn: store, onSuccess: anew })
export type FigurePageChange = Partial<Pick<FigurePage, 'name' | 'shared' | 'parts'>>
/** Changes a page; what is shown follows once it is there. Changes wait for each other, and each is made to the page as the one before has left it. */
export const useChangeFigurePage = (shown: FigurePage) =>
  useMutation({
    scope: { id: `figure-page ${shown.id}` },
    mutationFn: (change: FigurePageChange) =>
      store({ ...(queryClient.getQueryData<FigurePage>(['figure-pages', shown.id]) ?? shown), ...change }),
    onSettled: anew,
  })
export const useRemoveFigurePage = () =>
  useMutation({ mutationFn: (pageId: FigurePageId) => call(removeFigurePage, { params: { pageId } }), onSuccess: anew })
export const useMailFigurePage = () =>
  useMutation({
    mutationFn: ({ pageId, every }: { pageId: FigurePageId; every: FigurePage['mailed'] }) =>
      call(mailFigurePage, { params: { pageId }, body: { every } }),
    onSettled: anew,
  })
