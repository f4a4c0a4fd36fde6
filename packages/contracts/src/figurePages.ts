import { COMPARISONS, DAYS_LOOKED, FIGURES, MAILED_EVERY, UNITS } from '@jackdaw/core/engagement'
import { ALL_ITEM_KINDS, AnyItemId } from '@jackdaw/core/items'
import { FigurePageId, FolderId, GoalId, GroupId, LocalDate, PersonId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { OwnerSort, ReaderSort, StepSort, UsedSort } from './engagement'
import { PersonRef } from './people'

const Name = z.string().check(z.trim(), z.minLength(1, 'Give it a name'), z.maxLength(100))
const MOST_PARTS = 24

/** At what a part looks, as a page of engagement does. What is absent leaves nothing out. */
export const FigureLooking = z.object({
  days: z.optional(z.enum([...DAYS_LOOKED, 'own'])),
  from: z.optional(LocalDate),
  to: z.optional(LocalDate),
  unit: z.optional(z.enum(UNITS)),
  compare: z.optional(z.enum([...COMPARISONS, 'none'])),
  shown: z.optional(z.enum(FIGURES)),
  kind: z.optional(z.enum(ALL_ITEM_KINDS)),
  item: z.optional(AnyItemId),
  owner: z.optional(PersonId),
  folder: z.optional(FolderId),
  person: z.optional(PersonId),
  department: z.optional(GroupId),
  site: z.optional(GroupId),
  team: z.optional(GroupId),
  sort: z.optional(z.enum([...new Set([...UsedSort.options, ...ReaderSort.options, ...OwnerSort.options, ...StepSort.options])])),
  direction: z.optional(z.enum(['up', 'down'])),
  which: z.optional(z.enum(['all', 'unanswered'])),
})
/** Read by {@link FigureLooking}. */
export type FigureLooking = z.infer<typeof FigureLooking>
/** What a part shows: a figure over time, the first of a list, or a goal. */
export const FigurePartKind = z.enum(['time', 'used', 'steps', 'readers', 'owners', 'sought', 'goal'])
/** Read by {@link FigurePartKind}. */
export type FigurePartKind = z.infer<typeof FigurePartKind>
/** A part of a page of figures. `goal`: which, of a goal. */
export const FigurePart = z
  .object({
    id: z.string().check(z.regex(/^[A-Za-z0-9_-]{6,24}$/)),
    shows: FigurePartKind,
    name: Name,
    wide: z.boolean(),
    goal: z.nullable(GoalId),
    looking: FigureLooking,
  })
  .check(z.refine(({ shows, goal }) => (shows === 'goal') === (goal !== null), 'A goal has to be named, and only of a goal'))
/** Read by {@link FigurePart}. */
export type FigurePart = z.infer<typeof FigurePart>

/** A page of figures that somebody has arranged. `shared`: whether everybody who sees records finds it; each sees it with the figures that they may see. `mailed`: how often it is mailed to
 * the asker. `revision`: how often it was changed, to notice that somebody else has. */
export const FigurePage = z.object({
  id: FigurePageId,
  name: Name,
  owner: PersonRef,
  shared: z.boolean(),
  parts: z.array(FigurePart).check(z.maxLength(MOST_PARTS, `A page has at most ${MOST_PARTS} parts`)),
  revision: z.int(),
  mailed: z.nullable(z.enum(MAILED_EVERY)),
})
/** Read by {@link FigurePage}. */
export type FigurePage = z.infer<typeof FigurePage>

const page = z.object({ pageId: FigurePageId })
/** The pages of the asker, and those that are shared, by name. */
export const listFigurePages = endpoint({
  method: 'get',
  path: '/api/figure-pages',
  access: { may: 'records.list' },
  response: z.array(FigurePage),
  problems: [],
})
/** One of them. */
export const getFigurePage = endpoint({
  method: 'get',
  path: '/api/figure-pages/:pageId',
  access: { may: 'records.list' },
  params: page,
  response: FigurePage,
  problems: ['not-found'],
})
/** Makes a page, at revision 0, or changes one of the asker's own. */
export const setFigurePage = endpoint({
  method: 'put',
  path: '/api/figure-pages/:pageId',
  access: { may: 'records.list' },
  params: page,
  body: z.object({
    name: Name,
    shared: z.boolean(),
    parts: FigurePage.shape.parts.check(
      z.refine((parts) => new Set(parts.map(({ id }) => id)).size === parts.length, 'Two parts have the same id'),
    ),
    revision: z.int().check(z.minimum(0)),
  }),
  response: z.object({ revision: z.int() }),
  problems: ['invalid', 'not-found', 'figure-page-changed'],
})
/** Takes away a page of the asker's own. */
export const removeFigurePage = endpoint({
  method: 'delete',
  path: '/api/figure-pages/:pageId',
  access: { may: 'records.list' },
  params: page,
  problems: ['not-found'],
})
/** Says how often a page is to be mailed to the asker; `null` for never. */
export const mailFigurePage = endpoint({
  method: 'put',
  path: '/api/figure-pages/:pageId/mail',
  access: { may: 'records.list' },
  params: page,
  body: z.object({ every: FigurePage.shape.mailed }),
  problems: ['invalid', 'not-found'],
})
