import * as z from 'zod/mini'
import { PlannedCheckInId, QuestionId, type PersonId } from '../shared'

/** How much check-ins may hold: characters of a name, a question and an answer, questions in one, and check-ins in a plan. */
export const CHECK_IN_LIMITS = { name: 80, question: 300, answer: 4_000, questions: 12, inPlan: 40 } as const
/** The marks of a scale, from not at all to entirely. */
export const SCALE = [1, 2, 3, 4, 5] as const
/** So many marks lie between two answers that are worth talking about. */
export const APART = 2
/** So many working days after they were asked, those who have not answered are asked once more. */
export const ASKED_AGAIN_DAYS = 3

/** Something that both are asked, each for themselves. `answer`: in words of their own, or as a mark on a scale. */
export const Question = z.object({
  id: QuestionId,
  words: z.string().check(z.trim(), z.minLength(1, 'Write the question'), z.maxLength(CHECK_IN_LIMITS.question)),
  answer: z.enum(['words', 'scale']),
})
/** Read by {@link Question}. */
export type Question = z.infer<typeof Question>

/** Questions that somebody and whoever they report to answer, each for themselves, before they talk. `day`: on which day of the stage, from 1. */
export const plannedCheckIn = (mostDays: number) =>
  z.object({
    id: PlannedCheckInId,
    name: z.string().check(z.trim(), z.minLength(1, 'Give the check-in a name'), z.maxLength(CHECK_IN_LIMITS.name)),
    day: z.int().check(z.minimum(1), z.maximum(mostDays)),
    questions: z.array(Question).check(
      z.minLength(1, 'A check-in has at least one question'),
      z.maxLength(CHECK_IN_LIMITS.questions),
      z.refine((all) => new Set(all.map(({ id }) => id)).size === all.length, 'Two questions have the same id'),
    ),
  })
/** Read by {@link plannedCheckIn}. */
export type PlannedCheckIn = z.infer<ReturnType<typeof plannedCheckIn>>

/** What somebody answers to a question: words, or a mark of {@link SCALE}; the other is empty. */
export const Answer = z.object({
  question: QuestionId,
  words: z.string().check(z.trim(), z.maxLength(CHECK_IN_LIMITS.answer)),
  mark: z.nullable(z.int().check(z.minimum(SCALE[0]), z.maximum(SCALE.length))),
})
/** Read by {@link Answer}. */
export type Answer = z.infer<typeof Answer>

/** The two who answer: whoever goes through the plan, and whoever they report to. */
export const SIDES = ['person', 'manager'] as const
/** One of {@link SIDES}. */
export type Side = (typeof SIDES)[number]

/** How a check-in stands for one of the two: whose answers are missing; `both`: nobody's; `closed`: it is not asked any more. */
export const CHECK_IN_STATES = ['waits-for-me', 'waits-for-other', 'both', 'closed'] as const
/** One of {@link CHECK_IN_STATES}. */
export type CheckInState = (typeof CHECK_IN_STATES)[number]
/** How a check-in stands for whoever is on a side of it. */
export function checkInState(
  side: Side,
  { person, manager, closed }: { person: boolean; manager: boolean; closed: boolean },
): CheckInState {
  if (person && manager) return 'both'
  if (closed) return 'closed'
  return (side === 'person' ? person : manager) ? 'waits-for-other' : 'waits-for-me'
}

const isGiven = ({ answer }: Question, given: Answer | undefined): boolean =>
  given !== undefined && (answer === 'scale' ? given.mark !== null && given.words === '' : given.mark === null && given.words !== '')
/** The questions to which an answer is missing, or is of another kind than was asked. */
export function unanswered(questions: readonly Question[], answers: readonly Answer[]): Question[] {
  const byId = new Map(answers.map((each) => [each.question, each]))
  return questions.filter((question) => !isGiven(question, byId.get(question.id)))
}

/** A question with what both say to it. `apart`: how many marks lie between them; 0 for words. */
export type Compared = { question: Question; person: Answer; manager: Answer; apart: number }
/** Puts side by side what both have answered.
 * @throws when one of them has not answered all questions */
export function compare(questions: readonly Question[], person: readonly Answer[], manager: readonly Answer[]): Compared[] {
  const answerOf = (answers: readonly Answer[], { id }: Question): Answer => {
    const found = answers.find(({ question }) => question === id)
    if (!found) throw new Error(`no answer to ${id}`)
    return found
  }
  return questions.map((question) => {
    const [theirs, managers] = [answerOf(person, question), answerOf(manager, question)]
    const apart = theirs.mark === null || managers.mark === null ? 0 : Math.abs(theirs.mark - managers.mark)
    return { question, person: theirs, manager: managers, apart }
  })
}

/** Who answers beside somebody: the nearest above them; without anybody above their mentor, and without one whoever gave them the plan. Never they themselves.
 * @param line those above them who work here, the nearest first
 * @returns `null` as long as there is nobody */
export const answersBeside = (
  person: PersonId,
  { line, mentor, giver }: { line: readonly PersonId[]; mentor: PersonId | null; giver: PersonId | null },
): PersonId | null => [...line, mentor, giver].find((id) => id !== null && id !== person) ?? null
