import { ItemRef } from '@jackdaw/core/items'
import { AnyItemId } from '@jackdaw/core/items'
import { GoalId, GroupId, LocalDate, PersonId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { ActName } from './applications'
import { endpoint } from './endpoint'

const page = z.optional(z.coerce.number().check(z.int(), z.minimum(1), z.maximum(100_000)))
const whole = z.int().check(z.minimum(0))
const MOST_STEPS = 5
const MOST_DAYS = 730

const withinDays = z.int().check(z.minimum(1), z.maximum(MOST_DAYS))
/** A step of a goal: an item that is to be finished, or an act of which an application tells, so many days at most after the one before was reached, or after it was begun. */
export const GoalStep = z.union([z.object({ item: AnyItemId, withinDays }), z.object({ act: ActName, withinDays })])
/** Read by {@link GoalStep}. */
export type GoalStep = z.infer<typeof GoalStep>
/** What people are to come to after having begun `from`: one thing after another. */
export const NewGoal = z.object({
  name: z.string().check(z.trim(), z.minLength(1, 'Give it a name'), z.maxLength(100)),
  from: AnyItemId,
  steps: z.array(GoalStep).check(z.minLength(1), z.maxLength(MOST_STEPS)),
})
/** Read by {@link NewGoal}. */
export type NewGoal = z.infer<typeof NewGoal>
const Called = z.object({ ref: ItemRef, number: z.int(), title: z.string() })
/** A goal, with what its items are called. Each step has either an item or an act. */
export const Goal = z.object({
  id: GoalId,
  name: z.string(),
  from: Called,
  steps: z.array(z.object({ item: z.nullable(Called), act: z.nullable(ActName), withinDays: z.int() })),
})
/** Read by {@link Goal}. */
export type Goal = z.infer<typeof Goal>

/** The goals that the lead has named, by name. */
export const listGoals = endpoint({
  method: 'get',
  path: '/api/goals',
  access: { may: 'records.list' },
  response: z.array(Goal),
  problems: [],
})
/** Names a goal. The same id again changes it. */
export const setGoal = endpoint({
  method: 'put',
  path: '/api/goals/:goalId',
  access: { may: 'goal.change' },
  params: z.object({ goalId: GoalId }),
  body: NewGoal,
  problems: ['invalid', 'not-found'],
})
/** Takes a goal away; nothing that was counted changes. */
export const removeGoal = endpoint({
  method: 'delete',
  path: '/api/goals/:goalId',
  access: { may: 'goal.change' },
  params: z.object({ goalId: GoalId }),
  problems: ['not-found'],
})

const asked = {
  from: z.optional(LocalDate),
  to: z.optional(LocalDate),
  department: z.optional(GroupId),
  site: z.optional(GroupId),
  team: z.optional(GroupId),
}
/** A point of the curve of time to goal: the share that has come to it within so many hours or days, and where it may well lie. */
const CurvePoint = z.object({ at: whole, share: z.number(), low: z.number(), high: z.number() })
/** How those did who were in a group when they began: how many began, and how many reached each step. */
const GoalGroup = z.object({
  kind: z.enum(['department', 'site', 'team']),
  id: GroupId,
  name: z.string(),
  began: whole,
  reached: z.array(whole),
})
/** Read by {@link GoalGroup}. */
export type GoalGroup = z.infer<typeof GoalGroup>
/** How far people came. `began`: who viewed the first thing for the first time in these days. Of each step: who came to it in time, of those who had come
 * to the one before; who may still; within how long half of them came to it; and the curve as far as somebody has been under way, in which those who still are
 * are counted as long as they have been. */
export const GoalResult = z.object({
  goal: Goal,
  span: z.object({ from: LocalDate, to: LocalDate }),
  began: whole,
  steps: z.array(
    z.object({
      of: whole,
      reached: whole,
      underWay: whole,
      medianMs: z.nullable(z.number()),
      unit: z.enum(['hour', 'day']),
      curve: z.array(CurvePoint),
    }),
  ),
  /** By kind and name. Somebody in two teams is in both. */
  groups: z.array(GoalGroup),
  everybody: z.boolean(),
})
/** Read by {@link GoalResult}. */
export type GoalResult = z.infer<typeof GoalResult>
/** How many of those who began came to the goal. */
export const getGoalResult = endpoint({
  method: 'get',
  path: '/api/goals/:goalId/result',
  access: { may: 'records.list' },
  params: z.object({ goalId: GoalId }),
  query: z.object(asked),
  response: GoalResult,
  problems: ['invalid', 'not-found'],
})

/** Which people are listed: those who began; and those who came to a step, did not in time, or may still. */
export const GoalPart = z.enum(['began', 'reached', 'missed', 'under-way'])
/** Read by {@link GoalPart}. */
export type GoalPart = z.infer<typeof GoalPart>
/** Somebody on the way to a goal: when they began, and when they came to each step, as far as in time. */
export const GoalPerson = z.object({
  person: z.object({ id: PersonId, name: z.string() }),
  beganAt: z.int(),
  reachedAt: z.array(z.nullable(z.int())),
})
/** Read by {@link GoalPerson}. */
export type GoalPerson = z.infer<typeof GoalPerson>
/** The people whom a figure of the goal counts, who began last first. `step`: from 0. */
export const listGoalPeople = endpoint({
  method: 'get',
  path: '/api/goals/:goalId/people',
  access: { may: 'records.list' },
  params: z.object({ goalId: GoalId }),
  query: z.object({
    ...asked,
    page,
    part: GoalPart,
    step: z.optional(z.coerce.number().check(z.int(), z.minimum(0), z.maximum(MOST_STEPS))),
  }),
  response: z.object({ goal: Goal, rows: z.array(GoalPerson), total: z.int(), pageSize: z.int() }),
  problems: ['invalid', 'not-found'],
})
