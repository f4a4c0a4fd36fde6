import * as z from 'zod/mini'
import { PictureId, SectionId, StepId } from '../../shared'
import { Annotation, AnnotationId } from '../annotation'
import { Caution } from '../caution'
import { GuideItem, GuideKind, GuideSummary, GuideTitle, NotReadyWhy, Sheet, StepPicture } from '../document'
import { Exercise, SoloRules } from '../exercise'
import { Flow } from '../flow'
import { GUIDE_LIMITS } from '../limits'
import { GuideLook } from '../look'
import { Rect, StepAction, StepCheck, StepElement } from '../onScreen'
import { RichText } from '../text/richText'
import { SignId } from '../signId'

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
      look: z.optional(GuideLook),
      signs: z.optional(z.array(SignId).check(z.maxLength(GUIDE_LIMITS.signs.most))),
      solo: z.optional(SoloRules),
    }),
  }),
  z.object({ type: z.literal('insert-item'), item: GuideItem, after }),
  z.object({ type: z.literal('remove-item'), itemId: ItemId }),
  z.object({ type: z.literal('move-item'), itemId: ItemId, after }),
  z.object({ type: z.literal('set-section-title'), sectionId: SectionId, title: z.string().check(z.maxLength(300)) }),
  z.object({ type: z.literal('set-optional'), sectionId: SectionId, optional: z.boolean() }),
  z.object({ type: z.literal('set-body'), stepId: StepId, body: RichText }),
  z.object({ type: z.literal('insert-picture'), stepId: StepId, picture: StepPicture, after: z.nullable(PictureId) }),
  z.object({ type: z.literal('remove-picture'), stepId: StepId, pictureId: PictureId }),
  z.object({ type: z.literal('move-picture'), stepId: StepId, pictureId: PictureId, after: z.nullable(PictureId) }),
  z.object({ type: z.literal('set-picture-alt'), stepId: StepId, pictureId: PictureId, alt: z.string().check(z.maxLength(1_000)) }),
  z.object({ type: z.literal('set-action'), stepId: StepId, action: z.nullable(StepAction) }),
  z.object({ type: z.literal('set-check'), stepId: StepId, check: z.nullable(StepCheck) }),
  z.object({ type: z.literal('set-element'), stepId: StepId, element: z.nullable(StepElement) }),
  z.object({ type: z.literal('set-exercise'), stepId: StepId, exercise: z.nullable(Exercise) }),
  z.object({ type: z.literal('set-flow'), stepId: StepId, flow: z.nullable(Flow) }),
  z.object({ type: z.literal('set-cautions'), stepId: StepId, cautions: z.array(Caution).check(z.maxLength(GUIDE_LIMITS.cautions.most)) }),
  z.object({ type: z.literal('set-signs'), stepId: StepId, signs: z.array(SignId).check(z.maxLength(GUIDE_LIMITS.signs.most)) }),
  z.object({ type: z.literal('set-combined-from'), stepId: StepId, combinedFrom: z.array(StepId) }),
  z.object({ type: z.literal('set-not-ready'), itemId: ItemId, notReady: z.boolean(), why: z.optional(NotReadyWhy) }),
  z.object({ type: z.literal('silence'), finding: z.string().check(z.maxLength(100)), silenced: z.boolean() }),
  /** Puts an annotation on a picture, or in the place of the one with its id. */
  z.object({
    type: z.literal('put-annotation'),
    stepId: StepId,
    pictureId: PictureId,
    annotation: Annotation,
    after: z.nullable(AnnotationId),
  }),
  z.object({ type: z.literal('remove-annotation'), stepId: StepId, pictureId: PictureId, annotationId: AnnotationId }),
  z.object({ type: z.literal('set-shown'), stepId: StepId, pictureId: PictureId, shown: z.nullable(Rect) }),
  z.object({ type: z.literal('set-sheet'), stepId: StepId, pictureId: PictureId, sheet: Sheet }),
])
export type Change = z.infer<typeof Change>

/** The item inside which a change takes place; `null` for facts about the whole guide. */
export function itemOf(change: Change): string | null {
  switch (change.type) {
    case 'set-facts':
    case 'silence':
      return null
    case 'insert-item':
      return change.item.id
    case 'remove-item':
    case 'move-item':
    case 'set-not-ready':
      return change.itemId
    case 'set-section-title':
    case 'set-optional':
      return change.sectionId
    default:
      return change.stepId
  }
}

/** The kinds of things that a change rewrites. */
export type TargetKind =
  | 'fact'
  | 'silence'
  | 'item'
  | 'title'
  | 'body'
  | 'alt'
  | 'action'
  | 'check'
  | 'element'
  | 'optional'
  | 'exercise'
  | 'flow'
  | 'cautions'
  | 'signs'
  | 'lineage'
  | 'ready'
  | 'annotation'
  | 'shown'
  | 'sheet'
/** The name of a thing that a change rewrites: its kind and where it stands. */
export type ChangeTarget = `${TargetKind}:${string}`

/** The single texts, pictures and facts that a change rewrites. Two people's changes clash only when these meet. */
export function targetsOf(change: Change): ChangeTarget[] {
  switch (change.type) {
    case 'set-facts':
      return Object.entries(change.facts).flatMap(([fact, value]) => (value === undefined ? [] : [`fact:${fact}` as const]))
    case 'set-section-title':
      return [`title:${change.sectionId}`]
    case 'set-body':
      return [`body:${change.stepId}`]
    case 'set-picture-alt':
      return [`alt:${change.stepId}:${change.pictureId}`]
    case 'remove-picture':
      return [`alt:${change.stepId}:${change.pictureId}`]
    case 'set-action':
      return [`action:${change.stepId}`]
    case 'set-check':
      return [`check:${change.stepId}`]
    case 'set-element':
      return [`element:${change.stepId}`]
    case 'set-optional':
      return [`optional:${change.sectionId}`]
    case 'set-exercise':
      return [`exercise:${change.stepId}`]
    case 'set-flow':
      return [`flow:${change.stepId}`]
    case 'set-cautions':
      return [`cautions:${change.stepId}`]
    case 'set-signs':
      return [`signs:${change.stepId}`]
    case 'set-combined-from':
      return [`lineage:${change.stepId}`]
    case 'set-not-ready':
      return [`ready:${change.itemId}`]
    case 'silence':
      return [`silence:${change.finding}`]
    case 'put-annotation':
      return [`annotation:${change.stepId}:${change.pictureId}:${change.annotation.id}`]
    case 'remove-annotation':
      return [`annotation:${change.stepId}:${change.pictureId}:${change.annotationId}`]
    case 'set-shown':
      return [`shown:${change.stepId}:${change.pictureId}`]
    case 'set-sheet':
      return [`sheet:${change.stepId}:${change.pictureId}`]
    default:
      return []
  }
}
