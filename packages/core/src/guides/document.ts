import * as z from 'zod/mini'
import { PictureId, SectionId, StepId } from '../shared'
import { Annotation } from './annotation'
import { Caution } from './caution'
import { Exercise, SoloRules, PLAIN_SOLO } from './exercise'
import { Flow } from './flow'
import { GUIDE_LIMITS } from './limits'
import { GuideLook } from './look'
import { Rect, StepAction, StepCheck, StepElement } from './onScreen'
import { plainText } from './text/plainText'
import { RichText } from './text/richText'
import { SignId } from './signId'

/** Kind of a guide; it sets defaults only. */
export const GuideKind = z.enum(['how-to', 'work-instruction', 'policy', 'lesson', 'background'])
export type GuideKind = z.infer<typeof GuideKind>

/** Pictures laid out on a blank sheet. Its size and where each picture lies, in pixels of the sheet. */
export const Sheet = z.object({
  widthPx: z.int().check(z.minimum(100), z.maximum(4_000)),
  heightPx: z.int().check(z.minimum(100), z.maximum(4_000)),
  pictures: z.array(z.object({ id: PictureId, rect: Rect })).check(z.maxLength(24)),
})
export type Sheet = z.infer<typeof Sheet>

/** A picture where a step shows it; `alt` says in words what it shows. */
export const StepPicture = z.object({
  id: PictureId,
  alt: z.string().check(z.maxLength(1_000)),
  annotations: z.optional(z.array(Annotation).check(z.maxLength(GUIDE_LIMITS.annotations.most))),
  /** The part that is shown, in pixels of the stored picture; the rest is kept. */
  shown: z.optional(Rect),
  /** A blank sheet with pictures on it instead of one stored picture; `id` is then no stored picture's. */
  sheet: z.optional(Sheet),
})
export type StepPicture = z.infer<typeof StepPicture>

/** Sizes of stored pictures, by their ids. */
export type PictureSizes = Readonly<Record<string, { widthPx: number; heightPx: number }>>

/** The stored pictures that a place in a step shows: one, or those on its sheet. */
export const storedPicturesOf = (picture: StepPicture): PictureId[] =>
  picture.sheet ? picture.sheet.pictures.map((each) => each.id) : [picture.id]

/** Why something is not ready, for its authors; at most 300 characters. */
export const NotReadyWhy = z.string().check(z.maxLength(300))

/** One instruction. Its first line of text is its name. */
export const Step = z.object({
  kind: z.literal('step'),
  id: StepId,
  body: RichText,
  pictures: z.array(StepPicture).check(z.maxLength(GUIDE_LIMITS.pictures.most)),
  /** What is done on screen. */
  action: z.optional(StepAction),
  /** What the step is about, drawn by the author, where it has no action on screen. */
  element: z.optional(StepElement),
  /** Set as long as an author should look at what the recorder wrote. */
  check: z.optional(StepCheck),
  cautions: z.optional(z.array(Caution).check(z.maxLength(GUIDE_LIMITS.cautions.most))),
  signs: z.optional(z.array(SignId).check(z.maxLength(GUIDE_LIMITS.signs.most))),
  /** How it is practised and tested. */
  exercise: z.optional(Exercise),
  /** Where to go next, if not simply on. */
  flow: z.optional(Flow),
  /** Flagged by an author as not ready to be published, and what is missing. */
  notReady: z.optional(z.literal(true)),
  notReadyWhy: z.optional(NotReadyWhy),
  copiedFrom: z.optional(StepId),
  /** Steps that were combined into this one. */
  combinedFrom: z.optional(z.array(StepId)),
  /** The step from which this one was split off. */
  splitFrom: z.optional(StepId),
})
export type Step = z.infer<typeof Step>

/** A heading that groups the steps that follow it, up to the next. */
export const Section = z.object({
  kind: z.literal('section'),
  id: SectionId,
  title: z.string().check(z.maxLength(300)),
  /** Whoever likes may leave its steps out. */
  optional: z.optional(z.literal(true)),
  /** Flagged by an author as not ready to be published, and what is missing. */
  notReady: z.optional(z.literal(true)),
  notReadyWhy: z.optional(NotReadyWhy),
})
export type Section = z.infer<typeof Section>

/** What a guide consists of: steps and the headings above them, in one flat list. */
export const GuideItem = z.discriminatedUnion('kind', [Step, Section])
export type GuideItem = z.infer<typeof GuideItem>
/** Id of a step or of a section. */
export type ItemId = GuideItem['id']

/** Title of a guide, at most 300 characters. */
export const GuideTitle = z.string().check(z.trim(), z.maxLength(300))
/** What a guide is for, at most 2,000 characters of plain text. */
export const GuideSummary = z.string().check(z.maxLength(2_000))

/** The guide as authors edit it and as an edition freezes it: one value, version 4. */
export const GuideDocument = z.object({
  version: z.literal(4),
  /** Language of the text, BCP 47. */
  language: z.string().check(z.maxLength(35), z.regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/)),
  title: GuideTitle,
  summary: GuideSummary,
  kind: GuideKind,
  /** Whether each step must be confirmed before the next one opens. */
  confirmSteps: z.boolean(),
  /** What the guide overrules of the company's look. */
  look: GuideLook,
  /** Protective equipment and other signs for the guide as a whole. */
  signs: z.array(SignId).check(z.maxLength(GUIDE_LIMITS.signs.most)),
  /** How it is tested. */
  solo: SoloRules,
  /** Findings that the author does not want to hear of again: `reason:item`. */
  silenced: z.array(z.string().check(z.maxLength(100))).check(z.maxLength(GUIDE_LIMITS.silenced.most)),
  items: z.array(GuideItem).check(z.maxLength(GUIDE_LIMITS.items.most)),
})
export type GuideDocument = z.infer<typeof GuideDocument>

/** A guide with nothing in it yet. A work instruction asks for confirmation of each step unless the author says otherwise. */
export const emptyDocument = (title: string, kind: GuideKind): GuideDocument => ({
  version: 4,
  language: 'en',
  title,
  summary: '',
  kind,
  confirmSteps: kind === 'work-instruction',
  look: {},
  signs: [],
  solo: PLAIN_SOLO,
  silenced: [],
  items: [],
})

/** The element that a step is about: that of its action, or the one that the author has drawn. */
export const elementOf = (step: Step): StepElement | undefined => step.action?.element ?? step.element

/** The steps in order, without the headings. */
export const stepsOf = (document: GuideDocument): Step[] => document.items.filter((item) => item.kind === 'step')

/** What a step is called in lists and on the ruler: the beginning of its first line that has words.
 * @returns at most 90 characters; empty when the step has no words */
export function stepName(step: Step): string {
  const line =
    plainText(step.body)
      .split('\n')
      .find((each) => each.trim() !== '')
      ?.trim() ?? ''
  if (line.length <= 90) return line
  const cut = line.slice(0, 89)
  return `${cut.slice(0, Math.max(cut.lastIndexOf(' '), 60)).trimEnd()}…`
}

/** What a step or section is called, with the step's number in front.
 * @returns empty for an item that the document does not have */
export function itemName(document: GuideDocument, itemId: string | null): string {
  const item = document.items.find((each) => each.id === itemId)
  if (!item) return ''
  if (item.kind === 'section') return item.title
  return `${stepsOf(document).indexOf(item) + 1}. ${stepName(item)}`
}
