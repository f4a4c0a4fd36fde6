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
/** Saves a page as it is given; what is shown follows once it is there. */
export const useSaveFigurePage = () =>
  useMutation({
    mutationFn: ({ id, name, shared, parts, revision }: Pick<FigurePage, 'id' | 'name' | 'shared' | 'parts' | 'revision'>) =>
      call(setFigurePage, { params: { pageId: id }, body: { name, shared, parts, revision } }),
    onSuccess: anew,
  })
export const useRemoveFigurePage = () =>
  useMutation({ mutationFn: (pageId: FigurePageId) => call(removeFigurePage, { params: { pageId } }), onSuccess: anew })
export const useMailFigurePage = () =>
  useMutation({
    mutationFn: ({ pageId, every }: { pageId: FigurePageId; every: FigurePage['mailed'] }) =>
      call(mailFigurePage, { params: { pageId }, body: { every } }),
    onSettled: anew,
  })
