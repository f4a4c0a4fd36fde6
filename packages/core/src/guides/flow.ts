import * as z from 'zod/mini'
import { GroupId, StepId } from '../shared'
import { Accept } from './exercise'

const FlowId = z.string().check(z.regex(/^[A-Za-z0-9_-]{6,24}$/))

/** Where a guide goes on: at a step, at the one that follows, or at its end. */
export const Target = z.union([z.literal('next'), z.literal('end'), StepId])
/** Read by {@link Target}. */
export type Target = z.infer<typeof Target>

/** Something that holds or does not: what was entered at a step, or the role or site of the person. `not` turns it round. */
export const Condition = z.discriminatedUnion('of', [
  z.object({ of: z.literal('value'), stepId: StepId, accept: Accept, not: z.optional(z.literal(true)) }),
  z.object({ of: z.literal('role'), ids: z.array(GroupId).check(z.maxLength(50)), not: z.optional(z.literal(true)) }),
  z.object({ of: z.literal('site'), ids: z.array(GroupId).check(z.maxLength(50)), not: z.optional(z.literal(true)) }),
])
/** Read by {@link Condition}. */
export type Condition = z.infer<typeof Condition>

/** One of the ways on that a step offers. */
export const Choice = z.object({ id: FlowId, words: z.string().check(z.maxLength(200)), to: Target })
/** Read by {@link Choice}. */
export type Choice = z.infer<typeof Choice>
/** A way on that is taken when something holds. */
export const Rule = z.object({ id: FlowId, when: Condition, to: Target })
/** Read by {@link Rule}. */
export type Rule = z.infer<typeof Rule>

/** Where to go after a step. Choices are offered to the person; without any, the first rule that holds decides; else the next step follows. */
export const Flow = z.object({
  /** What is asked over the choices. */
  ask: z.optional(z.string().check(z.maxLength(300))),
  choices: z.optional(z.array(Choice).check(z.maxLength(12))),
  rules: z.optional(z.array(Rule).check(z.maxLength(12))),
  /** The step is passed over when this holds. */
  skipWhen: z.optional(Condition),
})
/** Read by {@link Flow}. */
export type Flow = z.infer<typeof Flow>
