import {
  answerSurvey,
  askAtStep,
  endSurvey,
  getSurvey,
  listAsked,
  listSurveys,
  type AskedQuestion,
  type NewStepSurvey,
} from '@jackdaw/contracts/surveys'
import {
  answerAudienceSurvey,
  endAudienceSurvey,
  getAudienceSurvey,
  listAskedSurveys,
  listAudienceSurveys,
  sendAudienceSurvey,
  type NewAudienceSurvey,
} from '@jackdaw/contracts/audienceSurveys'
import type { AudienceSurveyId, GuideId, SurveyId } from '@jackdaw/core/shared'
import type { SurveyAnswer, SurveyAnswers } from '@jackdaw/core/surveys'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient, reading } from '../api'

/** What is asked at the steps of a guide, fetched each time that it is opened: what was put away does not come back while somebody reads on. */
export const useAsked = (id: GuideId) =>
  useQuery({
    queryKey: ['asked', id],
    staleTime: Infinity,
    refetchOnMount: 'always',
    queryFn: ({ signal }) => call(listAsked, { params: { id }, signal }),
  })

/** Does not show a question any more on this page. */
export const putAway = (id: GuideId, surveyId: SurveyId) =>
  queryClient.setQueryData<AskedQuestion[]>(['asked', id], (asked) => asked?.filter((each) => each.id !== surveyId))
export const useAnswer = (id: GuideId, surveyId: SurveyId) =>
  useMutation({ mutationFn: (body: SurveyAnswer) => call(answerSurvey, { params: { id, surveyId }, body }) })

export const useSurveys = (id: GuideId) =>
  useQuery({ queryKey: ['surveys', id], staleTime: 0, queryFn: ({ signal }) => call(listSurveys, { params: { id }, signal }) })
export const useSurvey = (id: GuideId, surveyId: SurveyId) =>
  useQuery({
    queryKey: ['surveys', id, surveyId],
    staleTime: 0,
    queryFn: ({ signal }) => call(getSurvey, { params: { id, surveyId }, signal }),
  })
const anew = () => queryClient.invalidateQueries({ queryKey: ['surveys'] })
export const useAskAtStep = (id: GuideId) =>
  useMutation({ mutationFn: (body: NewStepSurvey) => call(askAtStep, { params: { id }, body }), onSuccess: anew })
export const useEndSurvey = (id: GuideId) =>
  useMutation({ mutationFn: (surveyId: SurveyId) => call(endSurvey, { params: { id, surveyId } }), onSettled: anew })

/** What one is asked by surveys. */
export const useAskedSurveys = () => useQuery({ queryKey: ['asked-surveys'], ...reading(listAskedSurveys, {}), staleTime: 0 })
export const useAnswerSurvey = () =>
  useMutation({
    mutationFn: ({ surveyId, answers }: { surveyId: AudienceSurveyId; answers: SurveyAnswers }) =>
      call(answerAudienceSurvey, { params: { surveyId }, body: { answers } }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['asked-surveys'] }),
  })
export const useAudienceSurveys = () =>
  useQuery({ queryKey: ['audience-surveys'], staleTime: 0, queryFn: ({ signal }) => call(listAudienceSurveys, { signal }) })
export const useAudienceSurvey = (surveyId: AudienceSurveyId) =>
  useQuery({
    queryKey: ['audience-surveys', surveyId],
    staleTime: 0,
    queryFn: ({ signal }) => call(getAudienceSurvey, { params: { surveyId }, signal }),
  })
const surveysAnew = () => queryClient.invalidateQueries({ queryKey: ['audience-surveys'] })
export const useSendSurvey = () =>
  useMutation({
    mutationFn: ({ id, ...body }: NewAudienceSurvey & { id: AudienceSurveyId }) =>
      call(sendAudienceSurvey, { params: { surveyId: id }, body }),
    onSuccess: surveysAnew,
  })
export const useEndAudienceSurvey = () =>
  useMutation({
    mutationFn: (surveyId: AudienceSurveyId) => call(endAudienceSurvey, { params: { surveyId } }),
    onSettled: surveysAnew,
  })
