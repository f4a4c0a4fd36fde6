import type { QuizDocument } from './quizDocument'

/** What the rules for attempts speak of. */
export type AttemptRules = Pick<QuizDocument, 'attempts' | 'waitMinutes' | 'timeLimitMinutes' | 'opensAt' | 'closesAt'>
/** What somebody has been granted beyond the rules. `extraPercent`: more time; `extraAttempts`: more attempts. */
export type Allowance = { extraPercent: number; extraAttempts: number }
/** Granted nothing. */
export const NO_ALLOWANCE: Allowance = { extraPercent: 0, extraAttempts: 0 }
/** What somebody has done so far in the present round. `failedAt`: when the last attempt that was not passed ended; instants are epoch milliseconds. */
export type AttemptsSoFar = { count: number; failedAt: number | null; hasPassed: boolean; waits: boolean }

/** Whether somebody may begin an attempt, and why not. `at`: from when on they may. */
export type Beginning =
  { may: true } | { may: false; reason: 'not-open-yet' | 'too-soon'; at: number } | { may: false; reason: 'closed' | 'none-left' | 'waits' }

/** How many attempts somebody has left; `null` for as many as they like. */
export const attemptsLeft = ({ attempts }: Pick<AttemptRules, 'attempts'>, { extraAttempts }: Allowance, count: number): number | null =>
  attempts === null ? null : Math.max(0, attempts + extraAttempts - count)

/** Whether somebody may begin an attempt now. Who has passed may try again as long as attempts are left, and need not wait.
 * @param now epoch milliseconds, by the server's clock */
export function mayBegin(rules: AttemptRules, allowance: Allowance, soFar: AttemptsSoFar, now: number): Beginning {
  if (rules.opensAt !== null && now < rules.opensAt) return { may: false, reason: 'not-open-yet', at: rules.opensAt }
  if (rules.closesAt !== null && now >= rules.closesAt) return { may: false, reason: 'closed' }
  if (soFar.waits) return { may: false, reason: 'waits' }
  if (attemptsLeft(rules, allowance, soFar.count) === 0) return { may: false, reason: 'none-left' }
  const from = soFar.hasPassed || soFar.failedAt === null ? 0 : soFar.failedAt + rules.waitMinutes * 60_000
  return now < from ? { may: false, reason: 'too-soon', at: from } : { may: true }
}

/** When an attempt ends by itself: after the time limit with what the person has beyond it, and when the quiz closes, whichever is first.
 * @returns `null` where it has no end */
export function endsAt({ timeLimitMinutes, closesAt }: AttemptRules, { extraPercent }: Allowance, openedAt: number): number | null {
  const limit = timeLimitMinutes === null ? null : openedAt + Math.round(timeLimitMinutes * 60_000 * (1 + extraPercent / 100))
  if (limit === null || closesAt === null) return limit ?? closesAt
  return Math.min(limit, closesAt)
}

/** Of which results of somebody a person is told who has asked for them.
 * @param failures how often they have not passed, this one included */
export const isTold = (when: QuizDocument['tell'][number]['when'], passed: boolean, failures: number): boolean =>
  when === 'every' || (!passed && (when === 'failures' || failures === 3))
