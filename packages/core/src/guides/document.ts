import * as z from 'zod/mini'
import { GuideQuizId, QuizId, SectionId, StepId } from '../shared'
import { PLAIN_SOLO } from './exercise'
import { factShape, type GuideKind } from './guideFacts'
import { GUIDE_LIMITS } from './limits'
import type { StepElement } from './onScreen'
import { NotReadyWhy, stepShape } from './stepFields'
import { plainText } from './text/plainText'

/** One instruction. Its first line of text is its name. */
export const Step = z.object({ kind: z.literal('step'), id: StepId, ...stepShape })
/** Read by {@link Step}. */
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
/** Read by {@link Section}. */
export type Section = z.infer<typeof Section>

/** What is needed of a quiz among the steps before it goes on behind it, the least first: nothing, that it was handed in, or that it was passed. */
export const QUIZ_NEEDS = ['nothing', 'handed-in', 'passed'] as const

/** A quiz before, between or after the steps. It is the quiz itself, as it is published at the time: whoever has passed it elsewhere has passed it here. */
export const GuideQuiz = z.object({
  kind: z.literal('quiz'),
  id: GuideQuizId,
  quizId: QuizId,
  need: z.enum(QUIZ_NEEDS),
  notReady: z.optional(z.literal(true)),
  notReadyWhy: z.optional(NotReadyWhy),
})
/** Read by {@link GuideQuiz}. */
export type GuideQuiz = z.infer<typeof GuideQuiz>

/** What a guide consists of: steps, quizzes among them, and the headings above them, in one flat list. What is to be known of each kind stands in
 * `GUIDE_ITEMS`. */
export const GuideItem = z.discriminatedUnion('kind', [Step, Section, GuideQuiz])
/** Read by {@link GuideItem}. */
export type GuideItem = z.infer<typeof GuideItem>
/** Id of a step, a section, or a quiz among the steps. */
export type ItemId = GuideItem['id']

/** The guide as authors edit it and as an edition freezes it: one value, version 4. */
export const GuideDocument = z.object({
  version: z.literal(4),
  /** Language of the text, BCP 47. */
  language: z.string().check(z.maxLength(35), z.regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/)),
  ...factShape,
  closing: z.optional(factShape.closing),
  system: z.optional(factShape.system),
  /** Findings that the author does not want to hear of again: `reason:item`. */
  silenced: z.array(z.string().check(z.maxLength(100))).check(z.maxLength(GUIDE_LIMITS.silenced.most)),
  items: z.array(GuideItem).check(z.maxLength(GUIDE_LIMITS.items.most)),
})
/** Read by {@link GuideDocument}. */
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

/** The steps in order, without headings and quizzes. */
export const stepsOf = (document: GuideDocument): Step[] => document.items.filter((item) => item.kind === 'step')

/** The quizzes among the steps, in order. */
export const guideQuizzesOf = (document: GuideDocument): GuideQuiz[] => document.items.filter((item) => item.kind === 'quiz')

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
 * @returns empty for an item that the document does not have, and for a quiz: its name does not stand in the document */
export function itemName(document: GuideDocument, itemId: string | null): string {
  const item = document.items.find((each) => each.id === itemId)
  if (!item || item.kind === 'quiz') return ''
  if (item.kind === 'section') return item.title
  return `${stepsOf(document).indexOf(item) + 1}. ${stepName(item)}`
}
