import {
  addPerson,
  changeMyFacts,
  changePerson,
  dropMyFace,
  getDirectory,
  getDirectorySettings,
  getHoldings,
  getPerson,
  leavePerson,
  returnPerson,
  saveAbsences,
  saveDirectorySettings,
  type Absence,
  setMyFace,
  type DirectorySettings,
} from '@jackdaw/contracts/directory'
import type { BodyOf, QueryOf } from '@jackdaw/contracts/endpoint'
import type { PersonId } from '@jackdaw/core/shared'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../../api'

const changed = () => queryClient.invalidateQueries()

export const useDirectory = (query: QueryOf<typeof getDirectory>) =>
  useQuery({
    queryKey: ['directory', query],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(getDirectory, { query, signal }),
    staleTime: 0,
  })
export const usePerson = (id: PersonId) =>
  useQuery({ queryKey: ['directory', 'person', id], queryFn: ({ signal }) => call(getPerson, { params: { id }, signal }), staleTime: 0 })
export const useAddPerson = () =>
  useMutation({ mutationFn: (body: BodyOf<typeof addPerson>) => call(addPerson, { body }), onSuccess: changed })
export const useChangePerson = (id: PersonId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof changePerson>) => call(changePerson, { params: { id }, body }), onSuccess: changed })
/** What somebody has that would be handed over. */
export const useHoldings = (id: PersonId) =>
  useQuery({ queryKey: ['holdings', id], queryFn: ({ signal }) => call(getHoldings, { params: { id }, signal }), staleTime: 0 })
export const useSaveAbsences = (id: PersonId) =>
  useMutation({ mutationFn: (absences: Absence[]) => call(saveAbsences, { params: { id }, body: { absences } }), onSuccess: changed })
export const useLeavePerson = (id: PersonId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof leavePerson>) => call(leavePerson, { params: { id }, body }), onSuccess: changed })
export const useReturnPerson = (id: PersonId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof returnPerson>) => call(returnPerson, { params: { id }, body }), onSuccess: changed })
export const useChangeMyFacts = () =>
  useMutation({ mutationFn: (body: BodyOf<typeof changeMyFacts>) => call(changeMyFacts, { body }), onSuccess: changed })
/** Sets one's own picture; without a file it goes. */
export const useMyFace = () =>
  useMutation({
    mutationFn: (file: File | null) => (file ? call(setMyFace, { bytes: file }) : call(dropMyFace, {})),
    onSuccess: changed,
  })
export const useDirectorySettings = () =>
  useQuery({ queryKey: ['directory-settings'], queryFn: ({ signal }) => call(getDirectorySettings, { signal }) })
export const useSaveDirectorySettings = () =>
  useMutation({ mutationFn: (body: DirectorySettings) => call(saveDirectorySettings, { body }), onSuccess: changed })
