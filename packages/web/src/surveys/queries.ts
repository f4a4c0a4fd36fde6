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
import type { GuideId, SurveyId } from '@jackdaw/core/shared'
import type { SurveyAnswer } from '@jackdaw/core/surveys'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

/** What is asked at the steps of a guide; it may come a little late. */
export const useAsked = (id: GuideId) =>
  useQuery({ queryKey: ['asked', id], staleTime: 60_000, queryFn: ({ signal }) => call(listAsked, { params: { id }, signal }) })

const gone = (id: GuideId, surveyId: SurveyId) =>
  queryClient.setQueryData<AskedQuestion[]>(['asked', id], (asked) => asked?.filter((each) => each.id !== surveyId))
export const useAnswer = (id: GuideId, surveyId: SurveyId) =>
  useMutation({ mutationFn: (body: SurveyAnswer) => call(answerSurvey, { params: { id, surveyId }, body }) })
/** Does not show a question any more on this page. */
export const putAway = gone

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
