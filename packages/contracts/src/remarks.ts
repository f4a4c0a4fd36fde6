import { Way } from '@jackdaw/core/ways'
import { GuideId, idOf, StepId, Whole } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

/** Id of a remark, made by its sender; sending it again adds nothing. */
export const RemarkId = idOf('remark')
/** Read by {@link RemarkId}. */
export type RemarkId = z.infer<typeof RemarkId>

/** What a reader says is wrong at a step. `device`: what they read it on, in words. */
export const NewRemark = z.object({
  id: RemarkId,
  edition: Whole.check(z.positive()),
  stepId: StepId,
  way: Way,
  words: z.string().check(z.trim(), z.minLength(1, 'Say what is wrong'), z.maxLength(1_000)),
  device: z.string().check(z.maxLength(200)),
})
/** Read by {@link NewRemark}. */
export type NewRemark = z.infer<typeof NewRemark>
/** Tells the owner of a guide that something is wrong at a step. */
export const sayWrong = endpoint({
  method: 'post',
  path: '/api/guides/:id/remarks',
  access: { may: 'item.read', over: 'guide' },
  params: z.object({ id: GuideId }),
  body: NewRemark,
  problems: ['invalid', 'too-many-remarks'],
})

/** A remark as those who write the guide see it. `step` is what the step was called in that edition. */
export const Remark = z.object({
  id: RemarkId,
  guideId: GuideId,
  title: z.string(),
  stepId: StepId,
  step: z.string(),
  position: z.int(),
  edition: z.int(),
  way: Way,
  words: z.string(),
  device: z.string(),
  by: PersonRef,
  at: z.int(),
})
/** Read by {@link Remark}. */
export type Remark = z.infer<typeof Remark>
/** The remarks on a guide that are not done yet, the oldest first. */
export const listRemarks = endpoint({
  method: 'get',
  path: '/api/guides/:id/remarks',
  access: { may: 'item.edit', over: 'guide' },
  params: z.object({ id: GuideId }),
  response: z.array(Remark),
  problems: [],
})
/** The remarks on all guides that the asker owns, the oldest first; at most 50. */
export const listMyRemarks = endpoint({
  method: 'get',
  path: '/api/remarks',
  access: { may: 'today.read' },
  response: z.object({ rows: z.array(Remark), total: z.int() }),
  problems: [],
})
/** Marks a remark as done, or takes that back. */
export const settleRemark = endpoint({
  method: 'patch',
  path: '/api/guides/:id/remarks/:remarkId',
  access: { may: 'item.edit', over: 'guide' },
  params: z.object({ id: GuideId, remarkId: RemarkId }),
  body: z.object({ done: z.boolean() }),
  problems: ['not-found'],
})
