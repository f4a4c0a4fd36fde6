import {
  archivePlan,
  changeEnrolment,
  createPlan,
  endEnrolment,
  endPlanGiving,
  enrolPeople,
  getPlan,
  givePlan,
  listEnrolled,
  listMyPlans,
  listPlanGivings,
  listPlans,
  listPlansOf,
  previewPlanEdition,
  publishPlan,
  savePlan,
  simulatePlan,
} from '@jackdaw/contracts/plans'
import type { BodyOf } from '@jackdaw/contracts/endpoint'
import type { EnrolmentId, PersonId, PlanGivingId, PlanId } from '@jackdaw/core/shared'
import type { PlanDocument } from '@jackdaw/core/plans'
import { keepPreviousData, skipToken, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient, reading } from '../api'

const changed = { onSuccess: () => queryClient.invalidateQueries() }
const fresh = { staleTime: 0 }

export const usePlans = (archived: boolean) =>
  useQuery({
    queryKey: ['plans', archived],
    ...fresh,
    queryFn: ({ signal }) => call(listPlans, { query: archived ? { archived: 'yes' } : {}, signal }),
  })
/** What is written is not asked for again while somebody writes. */
export const usePlan = (id: PlanId) =>
  useQuery({
    queryKey: ['plan', id],
    ...fresh,
    refetchOnWindowFocus: false,
    queryFn: ({ signal }) => call(getPlan, { params: { id }, signal }),
  })
export const useEnrolled = (id: PlanId) =>
  useQuery({ queryKey: ['plan', id, 'people'], ...fresh, queryFn: ({ signal }) => call(listEnrolled, { params: { id }, signal }) })
/** @param asked `null` while something is still to be chosen */
export const useSimulation = (asked: BodyOf<typeof simulatePlan> | null) =>
  useQuery({
    queryKey: ['plan-simulation', asked],
    placeholderData: keepPreviousData,
    ...fresh,
    queryFn: asked === null ? skipToken : ({ signal }) => call(simulatePlan, { body: asked, signal }),
  })
export const useMyPlans = () => useQuery({ queryKey: ['my-plans'], ...reading(listMyPlans, {}), staleTime: 0 })

export const usePlansOf = (id: PersonId) =>
  useQuery({ queryKey: ['look-as', id, 'plans'], ...fresh, queryFn: ({ signal }) => call(listPlansOf, { params: { id }, signal }) })

export const useCreatePlan = () =>
  useMutation({ mutationFn: (document: PlanDocument) => call(createPlan, { body: { document } }), ...changed })
export const useSavePlan = (id: PlanId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof savePlan>) => call(savePlan, { params: { id }, body }) })
export const usePublishPlan = (id: PlanId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof publishPlan>) => call(publishPlan, { params: { id }, body }), ...changed })
export const usePlanTouches = (id: PlanId, document: PlanDocument) =>
  useQuery({
    queryKey: ['plan', id, 'touches', document],
    ...fresh,
    queryFn: ({ signal }) => call(previewPlanEdition, { params: { id }, body: { document }, signal }),
  })
export const useArchivePlan = (id: PlanId) =>
  useMutation({ mutationFn: (archived: boolean) => call(archivePlan, { params: { id }, body: { archived } }), ...changed })
export const useEnrol = (id: PlanId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof enrolPeople>) => call(enrolPeople, { params: { id }, body }), ...changed })
export const usePlanGivings = (id: PlanId) =>
  useQuery({ queryKey: ['plan', id, 'givings'], ...fresh, queryFn: ({ signal }) => call(listPlanGivings, { params: { id }, signal }) })
export const useGivePlan = (id: PlanId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof givePlan>) => call(givePlan, { params: { id }, body }), ...changed })
export const useEndPlanGiving = (id: PlanId, planGivingId: PlanGivingId) =>
  useMutation({ mutationFn: () => call(endPlanGiving, { params: { id, planGivingId } }), ...changed })
export const useChangeEnrolment = (id: PlanId, enrolmentId: EnrolmentId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof changeEnrolment>) => call(changeEnrolment, { params: { id, enrolmentId }, body }),
    ...changed,
  })
export const useEndEnrolment = (id: PlanId, enrolmentId: EnrolmentId) =>
  useMutation({ mutationFn: () => call(endEnrolment, { params: { id, enrolmentId } }), ...changed })
