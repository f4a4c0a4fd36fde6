import {
  addEvidencePhoto,
  addTaskPicture,
  answerHandIn,
  archiveTask,
  createTask,
  getTask,
  getTaskDraft,
  handInTask,
  listHandIns,
  listTasks,
  listToConfirm,
  publishTask,
  saveTask,
  takeBackHandIn,
} from '@jackdaw/contracts/tasks'
import type { BodyOf } from '@jackdaw/contracts/endpoint'
import type { HandInId, PersonId, TaskId } from '@jackdaw/core/shared'
import type { TaskDocument } from '@jackdaw/core/tasks'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call, queryClient } from '../api'

const changed = { onSuccess: () => queryClient.invalidateQueries() }
/** The same, where what is changed goes from the page by it: what the page still wants to say is said before the lists come anew. */
const changedAndGone = { onSuccess: () => void queryClient.invalidateQueries() }
const fresh = { staleTime: 0 }

export const useTasks = (archived: boolean) =>
  useQuery({
    queryKey: ['tasks', archived],
    ...fresh,
    queryFn: ({ signal }) => call(listTasks, { query: archived ? { archived: 'yes' } : {}, signal }),
  })
export const useTask = (id: TaskId) =>
  useQuery({ queryKey: ['task', id], ...fresh, queryFn: ({ signal }) => call(getTask, { params: { id }, signal }) })
/** What is written is not asked for again while somebody writes. */
export const useTaskDraft = (id: TaskId) =>
  useQuery({
    queryKey: ['task-draft', id],
    ...fresh,
    refetchOnWindowFocus: false,
    queryFn: ({ signal }) => call(getTaskDraft, { params: { id }, signal }),
  })
export const useToConfirm = () => useQuery({ queryKey: ['to-confirm'], ...fresh, queryFn: ({ signal }) => call(listToConfirm, { signal }) })
export const useHandIns = (id: PersonId, taskId: TaskId) =>
  useQuery({
    queryKey: ['hand-ins', id, taskId],
    ...fresh,
    queryFn: ({ signal }) => call(listHandIns, { params: { id, taskId }, signal }),
  })

export const useCreateTask = () =>
  useMutation({ mutationFn: (document: TaskDocument) => call(createTask, { body: { document } }), ...changed })
export const useSaveTask = (id: TaskId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof saveTask>) => call(saveTask, { params: { id }, body }) })
export const usePublishTask = (id: TaskId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof publishTask>) => call(publishTask, { params: { id }, body }), ...changed })
export const useArchiveTask = (id: TaskId) =>
  useMutation({ mutationFn: (archived: boolean) => call(archiveTask, { params: { id }, body: { archived } }), ...changed })
export const useAddTaskPicture = (id: TaskId) =>
  useMutation({ mutationFn: (bytes: File) => call(addTaskPicture, { params: { id }, bytes }) })
export const useAddPhoto = (id: TaskId) => useMutation({ mutationFn: (bytes: File) => call(addEvidencePhoto, { params: { id }, bytes }) })
export const useHandIn = (id: TaskId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof handInTask>) => call(handInTask, { params: { id }, body }), ...changed })
export const useAnswer = (id: HandInId) =>
  useMutation({ mutationFn: (body: BodyOf<typeof answerHandIn>) => call(answerHandIn, { params: { id }, body }), ...changedAndGone })
export const useTakeBack = (id: HandInId) => useMutation({ mutationFn: () => call(takeBackHandIn, { params: { id } }), ...changed })
