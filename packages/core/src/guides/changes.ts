import * as z from 'zod/mini'
import { PictureId, SectionId, StepId } from '../shared'
import { GuideItem, GuideKind, GuideSummary, GuideTitle, StepPicture } from './document'
import { RichText } from './richText'

const ItemId = z.union([StepId, SectionId])
const after = z.nullable(ItemId)

/** One change to a guide document: serialisable, and undone by its inverse. `after: null` means at the beginning. */
export const Change = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('set-facts'),
    facts: z.object({
      title: z.optional(GuideTitle),
      summary: z.optional(GuideSummary),
      kind: z.optional(GuideKind),
      confirmSteps: z.optional(z.boolean()),
    }),
  }),
  z.object({ type: z.literal('insert-item'), item: GuideItem, after }),
  z.object({ type: z.literal('remove-item'), itemId: ItemId }),
  z.object({ type: z.literal('move-item'), itemId: ItemId, after }),
  z.object({ type: z.literal('set-section-title'), sectionId: SectionId, title: z.string().check(z.maxLength(300)) }),
  z.object({ type: z.literal('set-body'), stepId: StepId, body: RichText }),
  z.object({ type: z.literal('insert-picture'), stepId: StepId, picture: StepPicture, after: z.nullable(PictureId) }),
  z.object({ type: z.literal('remove-picture'), stepId: StepId, pictureId: PictureId }),
  z.object({ type: z.literal('move-picture'), stepId: StepId, pictureId: PictureId, after: z.nullable(PictureId) }),
  z.object({ type: z.literal('set-picture-alt'), stepId: StepId, pictureId: PictureId, alt: z.string().check(z.maxLength(1_000)) }),
])
export type Change = z.infer<typeof Change>

/** The item inside which a change takes place; `null` for facts about the whole guide. */
export function itemOf(change: Change): string | null {
  switch (change.type) {
    case 'set-facts':
      return null
    case 'insert-item':
      return change.item.id
    case 'remove-item':
    case 'move-item':
      return change.itemId
    case 'set-section-title':
      return change.sectionId
    default:
      return change.stepId
  }
}

/** The single texts, pictures and facts that a change rewrites. Two people's changes clash only when these meet. */
export function targetsOf(change: Change): string[] {
  switch (change.type) {
    case 'set-facts':
      return Object.keys(change.facts).map((fact) => `fact:${fact}`)
    case 'set-section-title':
      return [`title:${change.sectionId}`]
    case 'set-body':
      return [`body:${change.stepId}`]
    case 'set-picture-alt':
      return [`alt:${change.stepId}:${change.pictureId}`]
    case 'remove-picture':
      return [`alt:${change.stepId}:${change.pictureId}`]
    default:
      return []
  }
}
