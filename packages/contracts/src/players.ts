import { Act, PlayerState, SoloSaid, SoloScreen } from '@jackdaw/core/players'
import { AttemptId, GuideId, StepId, Whole } from '@jackdaw/core/shared'
import { waysWhere } from '@jackdaw/core/ways'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

const guide = z.object({ id: GuideId })

/** Ways whose state the browser keeps: what it says of them is claimed. */
export const KeptWay = z.enum(waysWhere('keptAs', 'play'))
/** Read by {@link KeptWay}. */
export type KeptWay = z.infer<typeof KeptWay>

/** Where somebody is in a guide that they watch or practise. */
export const KeptPlay = z.object({ playId: z.string().check(z.regex(/^[A-Za-z0-9_-]{21}$/)), edition: Whole, state: PlayerState })
/** Read by {@link KeptPlay}. */
export type KeptPlay = z.infer<typeof KeptPlay>

const play = z.object({ id: GuideId, way: KeptWay })
/** Where the asker is, on whatever device they were last. */
export const getPlay = endpoint({
  method: 'get',
  path: '/api/guides/:id/plays/:way',
  access: { may: 'item.read', over: 'guide' },
  params: play,
  response: z.nullable(z.extend(KeptPlay, { savedAt: z.int() })),
  problems: [],
})
/** Keeps where the asker is. */
export const keepPlay = endpoint({
  method: 'put',
  path: '/api/guides/:id/plays/:way',
  access: { may: 'item.read', over: 'guide' },
  params: play,
  body: KeptPlay,
  maxBytes: 1024 * 1024,
  problems: ['invalid'],
})

/** A step that was not right at once. */
export const MissedStep = z.object({ stepId: StepId, name: z.string(), tries: z.int(), done: z.boolean() })
/** Read by {@link MissedStep}. */
export type MissedStep = z.infer<typeof MissedStep>
/** What came of a test. Times are epoch milliseconds; `activeMs` is the time spent on its steps. */
export const SoloResult = z.object({
  ended: z.enum(['finished', 'given-up', 'expired']),
  percent: z.int(),
  passed: z.boolean(),
  passMark: z.int(),
  judged: z.int(),
  rightFirst: z.int(),
  tries: z.int(),
  activeMs: z.int(),
  openedAt: z.int(),
  endedAt: z.int(),
  missed: z.array(MissedStep),
})
/** Read by {@link SoloResult}. */
export type SoloResult = z.infer<typeof SoloResult>

/** A test as whoever takes it sees it. `acts` counts what has been done in it; the next act has this number plus one. */
export const SoloAttempt = z.object({
  attemptId: AttemptId,
  guideId: GuideId,
  number: z.int(),
  edition: z.int(),
  title: z.string(),
  task: z.string(),
  passMark: z.int(),
  acts: z.int(),
  /** Names of elements of the guide, for whoever does not point. */
  names: z.array(z.string()),
  said: z.nullable(SoloSaid),
  screen: z.nullable(SoloScreen),
  result: z.nullable(SoloResult),
  /** How often the guide may still be taken after this; `null`: as often as one likes. */
  attemptsLeft: z.nullable(z.int()),
})
/** Read by {@link SoloAttempt}. */
export type SoloAttempt = z.infer<typeof SoloAttempt>

const attempt = z.object({ id: GuideId, attemptId: AttemptId })
/** Opens a test of the newest edition, or goes on with the one that is open.
 * `language` of the person, BCP 47: how they write numbers and days. */
export const openAttempt = endpoint({
  method: 'post',
  path: '/api/guides/:id/attempts',
  access: { may: 'item.read', over: 'guide' },
  params: guide,
  body: z.object({ language: z.string().check(z.maxLength(35), z.regex(/^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$/)) }),
  response: SoloAttempt,
  problems: ['not-found', 'no-attempts-left', 'not-testable'],
})
/** What the asker has done in tests of a guide, and whether one is open. */
export const getAttempts = endpoint({
  method: 'get',
  path: '/api/guides/:id/attempts',
  access: { may: 'item.read', over: 'guide' },
  params: guide,
  response: z.object({
    open: z.nullable(AttemptId),
    attemptsLeft: z.nullable(z.int()),
    passMark: z.int(),
    triesPerStep: z.int(),
    task: z.string(),
    title: z.string(),
    done: z.array(z.object({ attemptId: AttemptId, number: z.int(), edition: z.int(), result: SoloResult })),
  }),
  problems: ['not-found'],
})
/** One's own attempt. */
export const getAttempt = endpoint({
  method: 'get',
  path: '/api/guides/:id/attempts/:attemptId',
  access: { may: 'item.read', over: 'guide' },
  params: attempt,
  response: SoloAttempt,
  problems: ['not-found'],
})
/** What can be done in a test. */
export const SoloAct = z.discriminatedUnion('type', [
  z.object({ type: z.literal('act'), act: Act }),
  z.object({ type: z.literal('choose'), id: z.string().check(z.maxLength(24)) }),
  /** The cautions of the step have been read. */
  z.object({ type: z.literal('acknowledge') }),
  /** The step is left out; it counts as not done. */
  z.object({ type: z.literal('leave-out') }),
  z.object({ type: z.literal('skip-section') }),
])
/** Read by {@link SoloAct}. */
export type SoloAct = z.infer<typeof SoloAct>
/** Tells one act. `n` is its number, from 1; sending the last one again, with its id, is answered alike and counts once. */
export const actInAttempt = endpoint({
  method: 'post',
  path: '/api/guides/:id/attempts/:attemptId/acts',
  access: { may: 'item.read', over: 'guide' },
  params: attempt,
  body: z.object({ n: Whole.check(z.positive()), actId: z.string().check(z.regex(/^[A-Za-z0-9_-]{21}$/)), does: SoloAct }),
  response: SoloAttempt,
  problems: ['not-found', 'invalid', 'out-of-turn', 'attempt-over'],
})
/** Gives a test up: what is not done counts for nothing. */
export const giveUpAttempt = endpoint({
  method: 'post',
  path: '/api/guides/:id/attempts/:attemptId/end',
  access: { may: 'item.read', over: 'guide' },
  params: attempt,
  response: SoloAttempt,
  problems: ['not-found'],
})
