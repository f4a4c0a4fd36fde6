import type { BodyOf } from '@jackdaw/contracts/endpoint'
import {
  createLink,
  getFolderOpen,
  getSharingRules,
  listGuestVisits,
  listLinks,
  openFolder,
  revokeLink,
  saveSharingRules,
  type SharingRules,
} from '@jackdaw/contracts/sharing'
import type { FolderId, GuideId, ShareLinkId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const linksKey = (id: GuideId) => ['links', id] as const
/** The links of a guide, and whether the company allows any. */
export const useLinks = (id: GuideId, enabled: boolean) =>
  useQuery({ queryKey: linksKey(id), enabled, queryFn: ({ signal }) => call(listLinks, { params: { id }, signal }) })
/** Makes a link. */
export const useCreateLink = (id: GuideId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof createLink>) => call(createLink, { params: { id }, body }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: linksKey(id) }),
  })
/** Ends a link. */
export const useRevokeLink = (id: GuideId) =>
  useMutation({
    mutationFn: (linkId: ShareLinkId) => call(revokeLink, { params: { id, linkId } }),
    onSettled: () => queryClient.invalidateQueries({ queryKey: linksKey(id) }),
  })
/** Visits of guests, all or under a number. */
export const useGuestVisits = (id: GuideId, number: string) =>
  useQuery({
    queryKey: ['guest-visits', id, number],
    queryFn: ({ signal }) => call(listGuestVisits, { params: { id }, query: number === '' ? {} : { number }, signal }),
  })

const folderKey = (id: FolderId) => ['folder-open', id] as const
/** Whether a folder is open to anyone, and where. */
export const useFolderOpen = (id: FolderId) =>
  useQuery({ queryKey: folderKey(id), queryFn: ({ signal }) => call(getFolderOpen, { params: { folderId: id }, signal }), staleTime: 0 })
/** Opens it, or closes it again. */
export const useOpenFolder = (id: FolderId) =>
  useMutation({
    mutationFn: (open: boolean) => call(openFolder, { params: { folderId: id }, body: { open } }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: folderKey(id) }),
  })

const RULES = ['sharing-rules'] as const
/** What the company allows. */
export const useSharingRules = () => useQuery({ queryKey: RULES, queryFn: ({ signal }) => call(getSharingRules, { signal }) })
/** Changes it. */
export const useSaveSharingRules = () =>
  useMutation({
    mutationFn: (body: SharingRules) => call(saveSharingRules, { body }),
    onSuccess: (rules) => queryClient.setQueryData(RULES, rules),
  })
