import { taskItem } from '@jackdaw/core/items'
import type { PersonId, PictureId, TaskId } from '@jackdaw/core/shared'
import { TASK_VERBS, type HandInAnswer, type TaskDocument } from '@jackdaw/core/tasks'
import type { Domain } from '../domain'
import { readPicture, storePicture } from '../files'
import { job } from '../jobs'
import { askAnew } from './asking'
import { dropUnusedPhotos } from './dropUnusedPhotos'
import { answerHandIn, handIn } from './handIns'
import { handsOverTasks } from './handsOver'
import { HAND_IN } from './model'
import { relationsToHandIn, relationsToTask } from './relations'
import { taskRoutes } from './routes'
import { createTask, saveTask } from './writing'

/** What people do in the real world and somebody else confirms. */
export const tasks = {
  routes: taskRoutes,
  verbs: TASK_VERBS,
  relations: ({ database }) => ({
    task: (caller, id) => relationsToTask(database, caller, id),
    'hand-in': (caller, id) => relationsToHandIn(database, caller, id),
  }),
  followsPeople: askAnew,
  handsOver: handsOverTasks,
  jobs: [job('remove-unused-photos', async ({ database }, _nothing, { now }) => void (await dropUnusedPhotos(database, now)))],
  demo: (parts) => ({
    addTask: (task: { id: TaskId; document: TaskDocument; ownerId: PersonId; now: number }) => createTask(parts.database, task),
    saveTask: (id: TaskId, revision: number, document: TaskDocument, by: PersonId, now: number) =>
      saveTask(parts.database, id, { revision, document }, by, now),
    async addTaskPicture({ id, taskId, bytes, by, now }: { id: PictureId; taskId: TaskId; bytes: Uint8Array; by: PersonId; now: number }) {
      const { database, content, decoder } = parts
      await storePicture(database, content, await readPicture(decoder, bytes), { id, item: taskItem(taskId), by, now })
    },
    handIn: (task: TaskId, edition: number, evidence: { words: string; photo: PictureId | null }, by: PersonId, now: number) =>
      handIn({ ...parts, mail: null }, task, { edition, ...evidence }, by, now),
    async answerHandIn(task: TaskId, person: PersonId, answer: HandInAnswer, reason: string, by: PersonId, now: number) {
      const waiting = await parts.database.in(HAND_IN).one({ taskId: task, personId: person, answer: null }, { only: ['id'] })
      if (waiting) await answerHandIn({ ...parts, mail: null }, waiting.id, { answer, reason, by, now })
    },
  }),
} satisfies Domain
