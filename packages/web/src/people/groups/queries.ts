import { getGivenToGroup } from '@jackdaw/contracts/audiences'
import type { BodyOf } from '@jackdaw/contracts/endpoint'
import {
  addGroup,
  addGroupKind,
  changeGroup,
  changeMembers,
  closeGroup,
  getGroup,
  listGroupKinds,
  listGroupRows,
  saveDuties,
} from '@jackdaw/contracts/groups'
import type { GroupId } from '@jackdaw/core/shared'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../../api'

const changed = () => queryClient.invalidateQueries()

export const useGroupRows = () =>
  useQuery({ queryKey: ['group-rows'], queryFn: ({ signal }) => call(listGroupRows, { signal }), staleTime: 30_000 })
export const useGroupKinds = () =>
  useQuery({ queryKey: ['group-kinds'], queryFn: ({ signal }) => call(listGroupKinds, { signal }), staleTime: 30_000 })
export const useGroup = (groupId: GroupId, page: number) =>
  useQuery({
    queryKey: ['group', groupId, page],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(getGroup, { params: { groupId }, query: { page }, signal }),
    staleTime: 0,
  })
export const useGivenToGroup = (groupId: GroupId) =>
  useQuery({ queryKey: ['group', groupId, 'given'], queryFn: ({ signal }) => call(getGivenToGroup, { params: { groupId }, signal }) })
export const useAddGroup = () =>
  useMutation({ mutationFn: (body: BodyOf<typeof addGroup>) => call(addGroup, { body }), onSuccess: changed })
export const useAddGroupKind = () =>
  useMutation({ mutationFn: (name: string) => call(addGroupKind, { body: { name } }), onSuccess: changed })
export const useChangeGroup = (groupId: GroupId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof changeGroup>) => call(changeGroup, { params: { groupId }, body }), onSuccess: changed })
export const useChangeMembers = (groupId: GroupId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof changeMembers>) => call(changeMembers, { params: { groupId }, body }),
    onSuccess: changed,
  })
export const useCloseGroup = (groupId: GroupId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof closeGroup>) => call(closeGroup, { params: { groupId }, body }), onSuccess: changed })
export const useSaveDuties = (groupId: GroupId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof saveDuties>) => call(saveDuties, { params: { groupId }, body }), onSuccess: changed })
