import { DueRule } from '@jackdaw/core/assignments'
import { AudienceChoice, AudienceShown } from './audiences'
import { PUBLISHING_REASONS } from '@jackdaw/core/guides'
import { GuideId, Whole } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { EditionInAddress, endpoint } from './endpoint'
import { PersonRef } from './people'

const guide = z.object({ id: GuideId })

/** An edition without its text. `publishedAt` is epoch milliseconds. */
export const Edition = z.object({
  number: z.int(),
  publishedAt: z.int(),
  publishedBy: PersonRef,
  changeNote: z.string(),
  mustReread: z.boolean(),
  steps: z.int(),
  withdrawn: z.nullable(z.object({ at: z.int(), why: z.string() })),
})
/** Read by {@link Edition}. */
export type Edition = z.infer<typeof Edition>

/** How a guide is published now, and what stands in the way of the next edition. */
export const Publication = z.object({
  title: z.string(),
  number: z.int(),
  revision: z.int(),
  archived: z.boolean(),
  editions: z.array(Edition),
  changedSinceEdition: z.boolean(),
  audience: AudienceShown,
  openToAll: z.boolean(),
  due: DueRule,
  /** `where` is what the step or section is called, empty for the guide as a whole. */
  findings: z.array(
    z.object({ reason: z.enum(PUBLISHING_REASONS), itemId: z.nullable(z.string()), where: z.string(), why: z.optional(z.string()) }),
  ),
})
/** Read by {@link Publication}. */
export type Publication = z.infer<typeof Publication>
/** How a guide is published now. */
export const getPublication = endpoint({
  method: 'get',
  path: '/api/guides/:id/publication',
  access: { may: 'item.publish', over: 'guide' },
  params: guide,
  response: Publication,
  problems: [],
})

/** Withdraws an edition at once: the newest of the others holds then, and whoever reads the withdrawn one is told. The only edition that holds cannot be: a guide that
 * nobody is to read is archived. */
export const withdrawEdition = endpoint({
  method: 'post',
  path: '/api/guides/:id/editions/:edition/withdraw',
  access: { may: 'item.publish', over: 'guide' },
  params: z.object({ id: GuideId, edition: EditionInAddress }),
  body: z.object({ why: z.string().check(z.trim(), z.minLength(1), z.maxLength(300)) }),
  response: z.object({ edition: z.int() }),
  problems: ['invalid', 'not-found', 'no-other-edition'],
})

/** One person whom publishing would reach, why, and how they stand to the guide before it. */
export const Reached = z.object({
  id: PersonRef.shape.id,
  name: z.string(),
  site: z.string(),
  why: z.array(z.string()),
  now: z.enum(['new', 'not-done', 'done']),
})
/** Read by {@link Reached}. */
export type Reached = z.infer<typeof Reached>
/** Whom publishing to an audience would reach, and who would lose the guide: the first 200 of each by name, and how many there are. */
export const previewAudience = endpoint({
  method: 'post',
  path: '/api/guides/:id/audience-preview',
  access: { may: 'item.publish', over: 'guide' },
  params: guide,
  body: z.object({ audience: AudienceChoice }),
  response: z.object({
    /** Of all, also of those who are not listed. */
    counts: z.object({ people: z.int(), new: z.int(), 'not-done': z.int(), done: z.int(), leaving: z.int() }),
    people: z.array(Reached),
    leaving: z.array(PersonRef),
  }),
  problems: ['invalid'],
})

/** How the next edition is published, and to whom. */
export const Publishing = z.object({
  /** The revision that the publisher saw; another one is refused, so that nobody publishes what they have not read. */
  revision: Whole,
  changeNote: z.string().check(z.trim(), z.maxLength(1_000)),
  mustReread: z.boolean(),
  audience: AudienceChoice,
  openToAll: z.boolean(),
  due: DueRule,
  /** Whether those who are to read it are told, in their inbox and by mail; without it they are. */
  tell: z.optional(z.boolean()),
})
/** Read by {@link Publishing}. */
export type Publishing = z.infer<typeof Publishing>
/** Freezes the draft as an edition and gives it to its audience. */
export const publishGuide = endpoint({
  method: 'post',
  path: '/api/guides/:id/editions',
  access: { may: 'item.publish', over: 'guide' },
  params: guide,
  body: Publishing,
  response: z.object({ edition: z.int(), people: z.int() }),
  problems: ['invalid', 'not-publishable', 'draft-moved-on', 'item-archived'],
})
