import * as amendments from '@jackdaw/contracts/amendments'
import * as attempts from '@jackdaw/contracts/attempts'
import * as judging from '@jackdaw/contracts/judging'
import * as contract from '@jackdaw/contracts/quizzes'
import { analyseQuiz, listAnswers, type Counted } from '@jackdaw/contracts/quizAnalysis'
import type { BodyOf, QueryOf } from '@jackdaw/contracts/endpoint'
import type { BankId, PersonId, QuestionId, QuizAttemptId, QuizId } from '@jackdaw/core/shared'
import type { BankDocument, QuizDocument } from '@jackdaw/core/quizzes'
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const changed = { onSuccess: () => queryClient.invalidateQueries() }
const fresh = { staleTime: 0 }
/** What is written is not asked for again while somebody writes, and not kept afterwards: whoever comes back has to begin from what is there then. */
const writing = { ...fresh, gcTime: 0, refetchOnWindowFocus: false, refetchOnReconnect: false } as const
const archive = (archived: boolean) => (archived ? { archived: 'yes' as const } : {})

export const useQuizzes = (archived: boolean) =>
  useQuery({
    queryKey: ['quizzes', archived],
    ...fresh,
    queryFn: ({ signal }) => call(contract.listQuizzes, { query: archive(archived), signal }),
  })
export const useBanks = (archived = false) =>
  useQuery({
    queryKey: ['banks', archived],
    ...fresh,
    queryFn: ({ signal }) => call(contract.listBanks, { query: archive(archived), signal }),
  })
export const useBank = (id: BankId) =>
  useQuery({ queryKey: ['bank', id], ...writing, queryFn: ({ signal }) => call(contract.getBank, { params: { id }, signal }) })
export const useQuizDraft = (id: QuizId) =>
  useQuery({ queryKey: ['quiz-draft', id], ...writing, queryFn: ({ signal }) => call(contract.getQuizDraft, { params: { id }, signal }) })
export const useQuiz = (id: QuizId) =>
  useQuery({ queryKey: ['quiz', id], ...fresh, queryFn: ({ signal }) => call(attempts.getQuiz, { params: { id }, signal }) })
export const useQuizAttempt = (id: QuizAttemptId) =>
  useQuery({
    queryKey: ['quiz-attempt', id],
    ...writing,
    queryFn: ({ signal }) => call(attempts.getQuizAttempt, { params: { id }, signal }),
  })
export const useQuizAttempts = (id: PersonId, quizId: QuizId) =>
  useQuery({
    queryKey: ['quiz-attempts', id, quizId],
    ...fresh,
    queryFn: ({ signal }) => call(attempts.listQuizAttempts, { params: { id, quizId }, signal }),
  })
export const useAttemptRecord = (id: QuizAttemptId) =>
  useQuery({
    queryKey: ['attempt-record', id],
    ...fresh,
    queryFn: ({ signal }) => call(attempts.getAttemptRecord, { params: { id }, signal }),
  })

export const useQuizAnalysis = (id: QuizId, counted: Counted) =>
  useQuery({
    queryKey: ['quiz-analysis', id, counted],
    ...fresh,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(analyseQuiz, { params: { id }, query: { counted }, signal }),
  })
export const useAnswersTo = (id: QuizId, questionId: QuestionId, query: QueryOf<typeof listAnswers>) =>
  useQuery({
    queryKey: ['quiz-answers', id, questionId, query],
    ...fresh,
    queryFn: ({ signal }) => call(listAnswers, { params: { id, questionId }, query, signal }),
  })

export const useCreateQuiz = () =>
  useMutation({ mutationFn: (document: QuizDocument) => call(contract.createQuiz, { body: { document } }), ...changed })
export const useSaveQuiz = (id: QuizId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof contract.saveQuiz>) => call(contract.saveQuiz, { params: { id }, body }) })
export const usePublishQuiz = (id: QuizId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof contract.publishQuiz>) => call(contract.publishQuiz, { params: { id }, body }),
    ...changed,
  })
export const useArchiveQuiz = (id: QuizId) =>
  useMutation({ mutationFn: (archived: boolean) => call(contract.archiveQuiz, { params: { id }, body: { archived } }), ...changed })
export const useCreateBank = () =>
  useMutation({ mutationFn: (document: BankDocument) => call(contract.createBank, { body: { document } }), ...changed })
export const useSaveBank = (id: BankId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof contract.saveBank>) => call(contract.saveBank, { params: { id }, body }) })
export const useArchiveBank = (id: BankId) =>
  useMutation({ mutationFn: (archived: boolean) => call(contract.archiveBank, { params: { id }, body: { archived } }), ...changed })
export const useBeginAttempt = (id: QuizId) => useMutation({ mutationFn: () => call(attempts.beginAttempt, { params: { id } }) })
export const useHandInAttempt = (id: QuizAttemptId) =>
  useMutation({
    mutationFn: () => call(attempts.handInAttempt, { params: { id } }),
    onSuccess: (attempt) => {
      queryClient.setQueryData(['quiz-attempt', id], attempt)
      void queryClient.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'quiz-attempt' })
    },
  })
export const useAllowMore = (id: PersonId, quizId: QuizId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof attempts.allowMore>) => call(attempts.allowMore, { params: { id, quizId }, body }),
    ...changed,
  })

export const useToJudge = () =>
  useQuery({ queryKey: ['to-judge'], ...fresh, queryFn: ({ signal }) => call(judging.listToJudge, { signal }) })
export const useJudging = (id: QuizAttemptId) =>
  useQuery({ queryKey: ['judging', id], ...fresh, queryFn: ({ signal }) => call(judging.getJudging, { params: { id }, signal }) })
export const useGradeReply = (id: QuizAttemptId, questionId: QuestionId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof judging.gradeReply>) => call(judging.gradeReply, { params: { id, questionId }, body }),
    // Not waited for: what is given goes from the page by it, and the page has still to say that it is saved.
    onSuccess: () => void queryClient.invalidateQueries(),
  })

/** What was put right; asked for again while attempts are still gone through. */
export const useAmendments = (id: QuizId) =>
  useQuery<amendments.Amendment[]>({
    queryKey: ['quiz-amendments', id],
    ...fresh,
    refetchInterval: ({ state }) => (state.data?.some(({ doneAt }) => doneAt === null) ? 1_000 : false),
    queryFn: ({ signal }) => call(amendments.listAmendments, { params: { id }, signal }),
  })
export const useLookAtAmendment = (id: QuizId, questionId: QuestionId, how: amendments.HowAmended) =>
  useQuery({
    queryKey: ['quiz-amendment', id, questionId, how],
    ...fresh,
    queryFn: ({ signal }) => call(amendments.lookAtAmendment, { params: { id, questionId }, query: { how }, signal }),
  })
export const useAmendQuestion = (id: QuizId, questionId: QuestionId) =>
  useMutation({
    mutationFn: (body: BodyOf<typeof amendments.amendQuestion>) => call(amendments.amendQuestion, { params: { id, questionId }, body }),
    ...changed,
  })
