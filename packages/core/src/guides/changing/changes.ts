import * as z from 'zod/mini'
import { GuideQuizId, PictureId, SectionId, StepId } from '../../shared'
import { Annotation, AnnotationId } from '../annotation'
import { GuideItem, GuideQuiz } from '../document'
import { factShape, type FactName } from '../guideFacts'
import { Rect } from '../onScreen'
import { NotReadyWhy, settableShape, type SettableField } from '../stepFields'
import { PictureAlt, Sheet, StepPicture } from '../stepPicture'

const ItemId = z.union([StepId, SectionId, GuideQuizId])
const after = z.nullable(ItemId)
const facts = {
  title: z.optional(factShape.title),
  summary: z.optional(factShape.summary),
  kind: z.optional(factShape.kind),
  confirmSteps: z.optional(factShape.confirmSteps),
  look: z.optional(factShape.look),
  signs: z.optional(factShape.signs),
  solo: z.optional(factShape.solo),
  closing: z.optional(factShape.closing),
  system: z.optional(factShape.system),
} satisfies Record<FactName, z.ZodMiniType>
/** Fields of a step as a change sets them; `null` takes one away. */
const fields = {
  body: z.optional(settableShape.body),
  action: z.optional(z.nullable(settableShape.action)),
  element: z.optional(z.nullable(settableShape.element)),
  check: z.optional(z.nullable(settableShape.check)),
  cautions: z.optional(z.nullable(settableShape.cautions)),
  signs: z.optional(z.nullable(settableShape.signs)),
  exercise: z.optional(z.nullable(settableShape.exercise)),
  flow: z.optional(z.nullable(settableShape.flow)),
  combinedFrom: z.optional(z.nullable(settableShape.combinedFrom)),
} satisfies Record<SettableField, z.ZodMiniType>

/** One change to a guide document: serialisable, and undone by its inverse. `after: null` means at the beginning. What is to be known of each
 * kind stands in `CHANGE_KINDS`. */
export const Change = z.discriminatedUnion('type', [
  z.object({ type: z.literal('set-facts'), facts: z.object(facts) }),
  z.object({ type: z.literal('insert-item'), item: GuideItem, after }),
  z.object({ type: z.literal('remove-item'), itemId: ItemId }),
  z.object({ type: z.literal('move-item'), itemId: ItemId, after }),
  z.object({ type: z.literal('set-section-title'), sectionId: SectionId, title: z.string().check(z.maxLength(300)) }),
  z.object({ type: z.literal('set-optional'), sectionId: SectionId, optional: z.boolean() }),
  /** Which quiz it is, and what is needed of it. */
  z.object({ type: z.literal('set-quiz'), guideQuizId: GuideQuizId, quizId: GuideQuiz.shape.quizId, need: GuideQuiz.shape.need }),
  z.object({ type: z.literal('set-step'), stepId: StepId, fields: z.object(fields) }),
  z.object({ type: z.literal('insert-picture'), stepId: StepId, picture: StepPicture, after: z.nullable(PictureId) }),
  z.object({ type: z.literal('remove-picture'), stepId: StepId, pictureId: PictureId }),
  z.object({ type: z.literal('move-picture'), stepId: StepId, pictureId: PictureId, after: z.nullable(PictureId) }),
  z.object({ type: z.literal('set-picture-alt'), stepId: StepId, pictureId: PictureId, alt: PictureAlt }),
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
/** Read by {@link Change}. */
export type Change = z.infer<typeof Change>
/** Name of a kind of change. */
export type ChangeType = Change['type']
/** A change of one kind. */
export type ChangeOf<T extends ChangeType> = Extract<Change, { type: T }>
/** The fields that `set-step` sets, with their values. */
export type StepFieldsSet = ChangeOf<'set-step'>['fields']
