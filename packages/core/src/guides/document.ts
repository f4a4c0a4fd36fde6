import * as z from 'zod/mini'
import { PictureId, SectionId, StepId } from '../shared'
import { countWords, plainText } from './plainText'
import { RichText } from './richText'

/** Kind of a guide; it sets defaults only. */
export const GuideKind = z.enum(['how-to', 'work-instruction', 'policy', 'lesson', 'background'])
export type GuideKind = z.infer<typeof GuideKind>

/** A picture where a step shows it; `alt` says in words what it shows. */
export const StepPicture = z.object({ id: PictureId, alt: z.string().check(z.maxLength(1_000)) })
export type StepPicture = z.infer<typeof StepPicture>

/** One instruction. Its first line of text is its name. */
export const Step = z.object({
  kind: z.literal('step'),
  id: StepId,
  body: RichText,
  pictures: z.array(StepPicture).check(z.maxLength(40)),
  copiedFrom: z.optional(StepId),
})
export type Step = z.infer<typeof Step>

/** A heading that groups the steps that follow it, up to the next. */
export const Section = z.object({ kind: z.literal('section'), id: SectionId, title: z.string().check(z.maxLength(300)) })
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

/** The guide as authors edit it and as an edition freezes it: one value, version 1. */
export const GuideDocument = z.object({
  version: z.literal(1),
  /** Language of the text, BCP 47. */
  language: z.string().check(z.regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/)),
  title: GuideTitle,
  summary: GuideSummary,
  kind: GuideKind,
  /** Whether each step must be confirmed before the next one opens. */
  confirmSteps: z.boolean(),
  items: z.array(GuideItem),
})
export type GuideDocument = z.infer<typeof GuideDocument>

/** A guide with nothing in it yet. A work instruction asks for confirmation of each step unless the author says otherwise. */
export const emptyDocument = (title: string, kind: GuideKind): GuideDocument => ({
  version: 1,
  language: 'en',
  title,
  summary: '',
  kind,
  confirmSteps: kind === 'work-instruction',
  items: [],
})

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

const WORDS_A_MINUTE = 200
const SECONDS_A_PICTURE = 12
const SECONDS_A_STEP = 5

/** Minutes that reading takes: words at 200 a minute (for readers in a second language; M. Brysbaert, 2019, finds 238 for
 * native readers of English), 12 seconds for a picture, 5 for turning to a step.
 * @returns whole minutes, at least 1 */
export function minutesToRead(document: GuideDocument): number {
  const steps = stepsOf(document)
  const words = steps.reduce((sum, step) => sum + countWords(plainText(step.body)), countWords(document.summary))
  const pictures = steps.reduce((sum, step) => sum + step.pictures.length, 0)
  const seconds = (words * 60) / WORDS_A_MINUTE + pictures * SECONDS_A_PICTURE + steps.length * SECONDS_A_STEP
  return Math.max(1, Math.round(seconds / 60))
}
