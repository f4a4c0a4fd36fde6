import {
  getCautionRecords,
  getDropOff,
  getPersonGuide,
  getPersonRecords,
  getWaitingHere,
  getWaySteps,
  getWhoFinished,
  listItemRecords,
  listPersonRecords,
  listRecordGroups,
  type StepWay,
} from '@jackdaw/contracts/records'
import type { QueryOf } from '@jackdaw/contracts/endpoint'
import type { ItemId } from '@jackdaw/core/items'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { keepPreviousData, skipToken, useQuery } from '@tanstack/react-query'
import { call, reading } from '../api'

const fresh = { staleTime: 0, placeholderData: keepPreviousData }
export const useRecordGroups = () =>
  useQuery({ queryKey: ['records', 'groups'], queryFn: ({ signal }) => call(listRecordGroups, { signal }) })
/** What waits for whoever leads, or to whom people report; asked for anew whenever the page is opened. */
export const useWaitingHere = (asked: boolean) =>
  useQuery({ queryKey: ['records', 'waiting'], ...reading(getWaitingHere, {}), enabled: asked })
export const useItemRecords = (query: QueryOf<typeof listItemRecords>) =>
  useQuery({
    queryKey: ['records', 'guides', query],
    ...fresh,
    queryFn: ({ signal }) => call(listItemRecords, { query, signal }),
  })
export const usePersonList = (query: QueryOf<typeof listPersonRecords>, asked = true) =>
  useQuery({
    queryKey: ['records', 'people', query],
    enabled: asked,
    ...fresh,
    queryFn: ({ signal }) => call(listPersonRecords, { query, signal }),
  })
export const useCautionRecords = (id: GuideId, query: QueryOf<typeof getCautionRecords>) =>
  useQuery({
    queryKey: ['records', 'cautions', id, query],
    ...fresh,
    queryFn: ({ signal }) => call(getCautionRecords, { params: { id }, query, signal }),
  })
export const useWhoFinished = (id: ItemId, query: QueryOf<typeof getWhoFinished>) =>
  useQuery({
    queryKey: ['records', 'who', id, query],
    ...fresh,
    queryFn: ({ signal }) => call(getWhoFinished, { params: { id }, query, signal }),
  })
/** @param id `null` where nobody reads step by step */
export const useDropOff = (id: GuideId | null) =>
  useQuery({
    queryKey: ['records', 'drop-off', id],
    ...fresh,
    queryFn: id === null ? skipToken : ({ signal }) => call(getDropOff, { params: { id }, signal }),
  })
export const usePersonRecords = (id: PersonId) =>
  useQuery({
    queryKey: ['records', 'person', id],
    staleTime: 0,
    queryFn: ({ signal }) => call(getPersonRecords, { params: { id }, signal }),
  })
export const useWaySteps = (id: GuideId, way: StepWay, enabled: boolean) =>
  useQuery({
    queryKey: ['records', 'way-steps', id, way],
    enabled,
    ...fresh,
    queryFn: ({ signal }) => call(getWaySteps, { params: { id, way }, signal }),
  })
export const usePersonGuide = (id: PersonId, guideId: GuideId) =>
  useQuery({
    queryKey: ['records', 'person', id, guideId],
    staleTime: 0,
    queryFn: ({ signal }) => call(getPersonGuide, { params: { id, guideId }, signal }),
  })
