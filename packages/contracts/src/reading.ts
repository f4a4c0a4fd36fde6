import { LineFor } from '@jackdaw/core/assignments'
import { ItemRef, ItemState } from '@jackdaw/core/items'
import { UsageEvent } from '@jackdaw/core/players'
import { GuideQuiz } from '@jackdaw/core/guides'
import { GuideId, GuideQuizId, Instant, LocalDate, GroupId, PersonId, QuizId, StepId, Whole } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { EditionInAddress, endpoint } from './endpoint'
import { StoredDocument } from './guides'

/** An item on somebody's first page. `use`: whether it is to be done; `parts` are those of the newest edition, `seen` how many of them they have gone through. */
export const TodayItem = z.object({
  item: ItemRef,
  number: z.int(),
  title: z.string(),
  minutes: z.int(),
  use: LineFor,
  state: ItemState,
  dueOn: z.nullable(LocalDate),
  daysLeft: z.nullable(z.int()),
  parts: z.int(),
  seen: z.int(),
  edition: z.int(),
  finishedAt: z.nullable(z.int()),
  assignedAt: z.int(),
})
/** Read by {@link TodayItem}. */
export type TodayItem = z.infer<typeof TodayItem>
/** An item that somebody finds again. `at`: when they used it last, marked it, or when its newest edition came out, epoch milliseconds. */
export const FoundAgain = z.object({ item: ItemRef, title: z.string(), minutes: z.int(), at: z.int() })
/** Read by {@link FoundAgain}. */
export type FoundAgain = z.infer<typeof FoundAgain>
/** What the asker has to do, what is due first on top, what they have done, and what is at hand without having to be done. */
export const getToday = endpoint({
  method: 'get',
  path: '/api/today',
  access: { may: 'today.read' },
  response: z.object({
    today: LocalDate,
    waiting: z.array(TodayItem),
    done: z.array(TodayItem),
    atHand: z.array(TodayItem),
    /** What they may read and need not do: marked by them, used last, and new. */
    favourites: z.array(FoundAgain),
    usedLast: z.array(FoundAgain),
    fresh: z.array(FoundAgain),
    /** How much of what others have handed in they are asked to confirm. */
    toConfirm: Whole,
    /** Of how many attempts they are asked to judge something. */
    toJudge: Whole,
  }),
  problems: [],
})
/** The same as somebody else finds it; nothing is noted by looking. */
export const getTodayOf = endpoint({
  method: 'get',
  path: '/api/people/:id/today',
  access: { may: 'person.look-as', over: 'person' },
  params: z.object({ id: PersonId }),
  response: getToday.response!,
  problems: [],
})

/** How far somebody is with a quiz among the steps. `not-passed`: no attempt so far was; `waits`: a person has to judge one. */
export const QuizStanding = z.enum(['not-begun', 'under-way', 'waits', 'not-passed', 'passed'])
/** Read by {@link QuizStanding}. */
export type QuizStanding = z.infer<typeof QuizStanding>
/** A quiz among the steps of an edition, and how far its reader is with it. `settled`: it goes on behind it. `there`: it can still be taken; one that was put
 * into the archive keeps nobody back. */
export const QuizAmongSteps = z.object({
  guideQuizId: GuideQuizId,
  quizId: QuizId,
  title: z.string(),
  need: GuideQuiz.shape.need,
  standing: QuizStanding,
  settled: z.boolean(),
  there: z.boolean(),
})
/** Read by {@link QuizAmongSteps}. */
export type QuizAmongSteps = z.infer<typeof QuizAmongSteps>
/** The newest edition with what the record knows of this reader. */
export const ReaderEdition = z.object({
  guideId: GuideId,
  number: z.int(),
  edition: z.int(),
  newestEdition: z.int(),
  publishedAt: z.int(),
  changeNote: z.string(),
  minutes: z.int(),
  owner: z.string(),
  document: StoredDocument,
  pictureSizes: z.record(z.string(), z.object({ widthPx: z.int(), heightPx: z.int() })),
  /** Blackouts since it was published: when the last one was applied, epoch milliseconds. */
  amendedAt: z.nullable(z.int()),
  assigned: z.boolean(),
  favourite: z.boolean(),
  dueOn: z.nullable(LocalDate),
  /** What rules of the guide may ask of the reader. */
  reader: z.object({ roles: z.array(GroupId), sites: z.array(GroupId) }),
  /** The quizzes among the steps, in the order of the guide. */
  quizzes: z.array(QuizAmongSteps),
  progress: z.object({
    lastStepId: z.nullable(StepId),
    seen: z.array(StepId),
    acknowledged: z.array(StepId),
    confirmed: z.array(StepId),
    finishedEdition: z.nullable(z.int()),
    mustReread: z.boolean(),
  }),
})
/** Read by {@link ReaderEdition}. */
export type ReaderEdition = z.infer<typeof ReaderEdition>
/** The newest edition of a guide, to be read. */
export const getReader = endpoint({
  method: 'get',
  path: '/api/guides/:id/reader',
  access: { may: 'item.read', over: 'guide' },
  params: z.object({ id: GuideId }),
  response: ReaderEdition,
  problems: ['not-found'],
})

/** Which edition holds, and whether another one was withdrawn, for whoever has that one before them. */
export const Holding = z.object({ edition: z.int(), withdrawn: z.nullable(z.object({ why: z.string() })) })
/** Read by {@link Holding}. */
export type Holding = z.infer<typeof Holding>
/** Whether an edition that somebody reads still holds. */
export const getHolding = endpoint({
  method: 'get',
  path: '/api/guides/:id/editions/:edition/holding',
  access: { may: 'item.read', over: 'guide' },
  params: z.object({ id: GuideId, edition: EditionInAddress }),
  response: Holding,
  problems: ['not-found'],
})

/** How far the asker is with the quizzes among the steps of an edition. */
export const getQuizzesAmongSteps = endpoint({
  method: 'get',
  path: '/api/guides/:id/editions/:edition/quizzes',
  access: { may: 'item.read', over: 'guide' },
  params: z.object({ id: GuideId, edition: EditionInAddress }),
  response: z.array(QuizAmongSteps),
  problems: [],
})

/** Events that are not taken: the reader may not see the guide, the edition has no such step, it cannot be finished yet, a quiz comes before the
 * step, or it is no event. `at` is its place in the batch; `id` is empty where it has none. */
export const RefusedEvent = z.object({
  at: z.int(),
  id: z.string(),
  why: z.enum(['unknown-guide', 'unknown-edition', 'unknown-step', 'steps-not-read', 'quiz-not-settled', 'malformed']),
  detail: z.optional(z.string()),
})
/** Read by {@link RefusedEvent}. */
export type RefusedEvent = z.infer<typeof RefusedEvent>
/** Takes events in batches, each for itself: one that is refused does not keep the others back. What is answered as taken is kept for ever;
 * sending it again changes nothing. */
export const sendEvents = endpoint({
  method: 'post',
  path: '/api/events',
  access: { may: 'event.send' },
  body: z.object({ sentAt: Instant, events: z.array(z.union([UsageEvent, z.unknown()])).check(z.minLength(1), z.maxLength(500)) }),
  response: z.object({ taken: z.int(), refused: z.array(RefusedEvent) }),
  problems: ['invalid'],
})
