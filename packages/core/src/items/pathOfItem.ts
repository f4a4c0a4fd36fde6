import type { GuideId, QuizId, TaskId } from '../shared'
import type { Way } from '../ways'
import { ITEM_KINDS } from './itemKind'
import type { ItemRef } from './itemRef'

/** Where an item is opened. */
export const pathOfItem = ({ kind, id }: ItemRef): string => ITEM_KINDS[kind].path(id)
/** A word for an item that is the same for no other one. */
export const itemKey = ({ kind, id }: ItemRef): string => `${kind} ${id}`
/** Whether using an item in a way says how far somebody is with it. */
export const countsAsProgress = ({ kind }: ItemRef, way: Way): boolean => (ITEM_KINDS[kind].ways as readonly Way[]).includes(way)
/** A task as an item. */
export const taskItem = (id: TaskId) => ({ kind: 'task', id }) as const satisfies ItemRef
/** A quiz as an item. */
export const quizItem = (id: QuizId) => ({ kind: 'quiz', id }) as const satisfies ItemRef
/** A guide as an item. */
export const guideItem = (id: GuideId) => ({ kind: 'guide', id }) as const satisfies ItemRef
