import { itemKey, type ItemRef } from '../items'
import type { LocalDate, PlannedCheckInId } from '../shared'
import type { DatedItem, StageStanding } from './standing'

/** An item or a check-in of a plan. */
export type PlanPart = { item: ItemRef } | { checkIn: PlannedCheckInId }
/** What becomes of what somebody has of a plan when it says something else: what comes, what goes, and whose day moves. `isChanged`: whether anything does. */
export type PlanChange = {
  comes: PlanPart[]
  goes: PlanPart[]
  moves: { part: PlanPart; from: LocalDate; to: LocalDate }[]
  isChanged: boolean
}

const hasOf = (standings: readonly StageStanding[]): Map<string, DatedItem> =>
  new Map(standings.filter(({ released }) => released).flatMap(({ items }) => items.map((each) => [itemKey(each.item), each] as const)))
const askedOn = (standings: readonly StageStanding[]): Map<PlannedCheckInId, LocalDate> =>
  new Map(standings.filter(({ released }) => released).flatMap(({ checkIns }) => checkIns.map(({ id, on }) => [id, on] as const)))

/** Compares what somebody has of a plan by what it says and by what it is to say: items and check-ins of stages that they have come to. What is done, or was
 * asked, stays as it is.
 * @param done whether an item is done, by its key; @param asked whether a check-in was asked */
export function planChange(
  before: readonly StageStanding[],
  after: readonly StageStanding[],
  done: { has(key: string): boolean },
  asked: { has(id: PlannedCheckInId): boolean },
): PlanChange {
  const [had, has] = [hasOf(before), hasOf(after)]
  const [hadAsked, hasAsked] = [askedOn(before), askedOn(after)]
  const comes = [
    ...[...has].flatMap(([key, { item }]) => (had.has(key) ? [] : [{ item }])),
    ...[...hasAsked.keys()].flatMap((checkIn) => (hadAsked.has(checkIn) || asked.has(checkIn) ? [] : [{ checkIn }])),
  ]
  const goes = [
    ...[...had].flatMap(([key, { item }]) => (has.has(key) || done.has(key) ? [] : [{ item }])),
    ...[...hadAsked.keys()].flatMap((checkIn) => (hasAsked.has(checkIn) || asked.has(checkIn) ? [] : [{ checkIn }])),
  ]
  const moves = [
    ...[...has].flatMap(([key, { item, dueOn, optional }]) => {
      const was = had.get(key)
      const isMoved = was && !done.has(key) && !optional && !was.optional && was.dueOn !== dueOn
      return isMoved ? [{ part: { item }, from: was.dueOn, to: dueOn }] : []
    }),
    ...[...hasAsked].flatMap(([checkIn, to]) => {
      const from = hadAsked.get(checkIn)
      return from !== undefined && from !== to && !asked.has(checkIn) ? [{ part: { checkIn }, from, to }] : []
    }),
  ]
  const turned = [...has].some(([key, { optional }]) => had.get(key) !== undefined && had.get(key)!.optional !== optional)
  return { comes, goes, moves, isChanged: comes.length + goes.length + moves.length > 0 || turned }
}
