import { itemKey, taskItem } from '../items'
import type { LocalDate, PlannedCheckInId, QuestionId, StageId, TaskId } from '../shared'
import type { PlanDocument, PlannedCheckIn, Stage } from './index'

export const id = <I extends string>(n: number, letter: string): I => `${letter}${String(n).padStart(20, '0')}` as I
export const task = (n: number) => taskItem(id<TaskId>(n, 't'))
export const key = (n: number) => itemKey(task(n))
export const day = (date: string) => date as LocalDate
export const stage = (n: number, items: readonly [n: number, day: number, optional?: true][], more: Partial<Stage> = {}): Stage => ({
  id: id<StageId>(n, 's'),
  name: `Stage ${n}`,
  release: 'date',
  free: { days: 0, working: true },
  items: items.map(([item, on, optional = false]) => ({ item: task(item), day: on, optional })),
  ...more,
})
export const checkIn = (n: number, on: number): PlannedCheckIn => ({
  ...{ id: id<PlannedCheckInId>(n, 'c'), name: `Check-in ${n}`, day: on },
  questions: [{ id: id<QuestionId>(n, 'q'), words: 'What was unclear?', answer: 'words' }],
})
export const plan = (stages: Stage[], more: Partial<PlanDocument> = {}): PlanDocument => ({
  ...{ title: 'First weeks', about: '', working: true, dayLimitMin: 60, stages },
  ...more,
})
export const half = () => 30
