import * as z from 'zod/mini'
import { LocalDate } from '../shared'
import { StepElement } from './onScreen'

const words = (max: number) => z.string().check(z.maxLength(max))
const PartId = z.string().check(z.regex(/^[A-Za-z0-9_-]{6,24}$/))

/** Which entries are taken as right. Texts are compared without blanks at both ends.
 * `same`: in any case; numbers and dates also as the person's language writes them. `pattern`: `#` a digit, `@` a letter, `?` any one sign,
 * `*` any number of signs. `range`: a number, both ends included. `date`: that day, written in any way that the person's language knows. */
export const Accept = z.discriminatedUnion('how', [
  z.object({ how: z.literal('exact'), value: words(2_000) }),
  z.object({ how: z.literal('same'), value: words(2_000) }),
  z.object({ how: z.literal('without-blanks'), value: words(2_000) }),
  z.object({ how: z.literal('pattern'), pattern: words(200) }),
  z.object({ how: z.literal('range'), least: z.nullable(z.number()), most: z.nullable(z.number()) }),
  z.object({ how: z.literal('one-of'), values: z.array(words(300)).check(z.maxLength(50)) }),
  z.object({ how: z.literal('date'), date: LocalDate }),
  z.object({ how: z.literal('anything') }),
])
/** Read by {@link Accept}. */
export type Accept = z.infer<typeof Accept>

/** A button of a pop-up; `right` goes on. */
export const PopUpButton = z.object({ id: PartId, words: words(80), right: z.boolean() })
/** Read by {@link PopUpButton}. */
export type PopUpButton = z.infer<typeof PopUpButton>

/** What is done in a step that was made by hand. `explain`: nothing. `click`: the step's element. `field`: something is entered in the
 * step's element. `several`: each of these elements, in any order. `pop-up`: a window as the application would show it. */
export const Task = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('explain') }),
  z.object({ kind: z.literal('click') }),
  z.object({ kind: z.literal('field') }),
  z.object({ kind: z.literal('several'), elements: z.array(z.object({ id: PartId, element: StepElement })).check(z.maxLength(20)) }),
  z.object({ kind: z.literal('pop-up'), title: words(200), words: words(1_000), buttons: z.array(PopUpButton).check(z.maxLength(6)) }),
])
/** Read by {@link Task}. */
export type Task = z.infer<typeof Task>

/** How a step is practised and tested, where that is not clear from its action. */
export const Exercise = z.object({
  task: z.optional(Task),
  /** Which entries are right; without it, the one that was recorded. */
  accept: z.optional(Accept),
  /** What the application says to an entry that it does not take. */
  message: z.optional(words(500)),
  /** Further entries of the list from which is chosen. */
  options: z.optional(z.array(words(300)).check(z.maxLength(50))),
  /** First hint in Practise, instead of one made of the element's name. */
  hint: z.optional(words(500)),
  /** What Solo says at this step; its own words do not appear there. */
  soloWords: z.optional(words(1_000)),
})
/** Read by {@link Exercise}. */
export type Exercise = z.infer<typeof Exercise>

/** How a guide is tested. */
export const SoloRules = z.object({
  /** The job that is to be done, with all that has to be known for it; always at hand in Solo. */
  task: words(2_000),
  /** Least result that passes, in percent. */
  passMark: z.int().check(z.minimum(1), z.maximum(100)),
  /** Tries at each step before it counts as failed; 0: as many as it takes. */
  triesPerStep: z.int().check(z.minimum(0), z.maximum(20)),
  /** How often somebody may take the test; 0: as often as they like. */
  attempts: z.int().check(z.minimum(0), z.maximum(50)),
})
/** Read by {@link SoloRules}. */
export type SoloRules = z.infer<typeof SoloRules>
/** How Solo goes unless the author says otherwise. */
export const PLAIN_SOLO: SoloRules = { task: '', passMark: 80, triesPerStep: 3, attempts: 0 }
