import { itemKey, type ItemRef } from '../items'
import type { LocalDate } from '../shared'
import type { DatedItem, StageStanding } from './standing'

/** What becomes of what somebody has of a plan when it says something else: what comes, what goes, and whose day moves. `isChanged`: whether anything does. */
export type PlanChange = {
  comes: ItemRef[]
  goes: ItemRef[]
  moves: { item: ItemRef; from: LocalDate; to: LocalDate }[]
  isChanged: boolean
}

const hasOf = (standings: readonly StageStanding[]): Map<string, DatedItem> =>
  new Map(standings.filter(({ released }) => released).flatMap(({ items }) => items.map((each) => [itemKey(each.item), each] as const)))

/** Compares what somebody has of a plan by what it says and by what it is to say: items of stages that they have come to. What is done stays as it is.
 * @param done whether an item is done, by its key */
export function planChange(
  before: readonly StageStanding[],
  after: readonly StageStanding[],
  done: { has(key: string): boolean },
): PlanChange {
  const [had, has] = [hasOf(before), hasOf(after)]
  const comes = [...has].flatMap(([key, { item }]) => (had.has(key) ? [] : [item]))
  const goes = [...had].flatMap(([key, { item }]) => (has.has(key) || done.has(key) ? [] : [item]))
  const moves = [...has].flatMap(([key, { item, dueOn, optional }]) => {
    const was = had.get(key)
    return was && !done.has(key) && !optional && !was.optional && was.dueOn !== dueOn ? [{ item, from: was.dueOn, to: dueOn }] : []
  })
  const turned = [...has].some(([key, { optional }]) => had.get(key) !== undefined && had.get(key)!.optional !== optional)
  return { comes, goes, moves, isChanged: comes.length + goes.length + moves.length > 0 || turned }
}
