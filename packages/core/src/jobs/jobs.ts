import * as z from 'zod/mini'
import { ExportId, GroupId, Instant, PersonId, QuizAmendmentId } from '../shared'
import type { Every } from './every'

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS

/** All that is to be known of a kind of job.
 * `lane`: long ones never keep short ones waiting.
 * `tries`: how often it is begun before it counts as failed; `pauseS`: seconds before the second try, twice as long before each further one.
 * `lastsAtMostS`: seconds after which whoever began it is taken to be gone, and somebody else begins.
 * `every`: when it is due by itself. `byHand`: whether an admin may have it done now. */
export type JobRules = {
  data: z.ZodMiniType
  lane: 'short' | 'long'
  tries: number
  pauseS: number
  lastsAtMostS: number
  every?: Every
  byHand: boolean
  words: string
}

const nothing = z.object({})
const tidying = { data: nothing, lane: 'long', tries: 4, pauseS: 60, lastsAtMostS: 1_800, byHand: true } as const

/** Everything that is done apart from requests, under the names by which it waits in the database. */
export const JOBS = {
  'send-mail': {
    data: z.object({ personId: PersonId }),
    lane: 'short',
    tries: 12,
    pauseS: 15,
    lastsAtMostS: 120,
    byHand: false,
    words: 'Send somebody the mail of the day',
  },
  'send-account-mail': {
    data: z.object({ personId: PersonId, kind: z.enum(['invitation', 'new-password']), at: Instant }),
    lane: 'short',
    tries: 12,
    pauseS: 15,
    lastsAtMostS: 120,
    byHand: false,
    words: 'Mail a link to choose a password',
  },
  'send-invitations': { ...tidying, lane: 'short', every: { ms: 5 * 60_000, afterMs: 0 }, words: 'Send invitations that are due' },
  'remove-noted-files': { ...tidying, lane: 'short', every: { ms: HOUR_MS, afterMs: 0 }, words: 'Delete files that were blacked out' },
  'remove-unused-pictures': {
    ...tidying,
    every: { ms: DAY_MS, afterMs: 2 * HOUR_MS },
    words: 'Delete pictures that nothing refers to',
  },
  'remove-unused-photos': {
    ...tidying,
    every: { ms: DAY_MS, afterMs: 2.5 * HOUR_MS },
    words: 'Delete photos that were taken for a task and never handed in',
  },
  'keep-event-months': {
    ...tidying,
    lastsAtMostS: 3_600,
    every: { ms: DAY_MS, afterMs: 3.6 * HOUR_MS },
    words: 'Make room for the events of the coming months',
  },
  'keep-use': {
    ...tidying,
    lastsAtMostS: 4 * 3_600,
    every: { ms: DAY_MS, afterMs: 3.25 * HOUR_MS },
    words: 'Keep who used what when as long as the company says',
  },
  'mail-figures': { ...tidying, every: { ms: HOUR_MS, afterMs: 10 * 60_000 }, words: 'Send pages of figures that are due' },
  'end-expired-attempts': { ...tidying, every: { ms: HOUR_MS, afterMs: 5 * 60_000 }, words: 'End attempts whose time is up' },
  'end-timed-attempts': {
    ...tidying,
    lane: 'short',
    every: { ms: 60_000, afterMs: 0 },
    words: 'Hand in attempts at quizzes whose time is over',
  },
  'put-results-right': {
    data: z.object({ amendmentId: QuizAmendmentId }),
    lane: 'long',
    tries: 6,
    pauseS: 15,
    lastsAtMostS: 3_600,
    byHand: false,
    words: 'Mark attempts anew after a question was put right',
  },
  'remove-unused-quiz-pictures': {
    ...tidying,
    every: { ms: DAY_MS, afterMs: 2.75 * HOUR_MS },
    words: 'Delete pictures of quizzes that nothing shows',
  },
  'remove-unused-clips': {
    ...tidying,
    every: { ms: DAY_MS, afterMs: 2.9 * HOUR_MS },
    words: 'Delete sound and video that nothing shows and nobody has replied with',
  },
  'write-export': {
    data: z.object({ exportId: ExportId }),
    lane: 'long',
    tries: 4,
    pauseS: 5,
    lastsAtMostS: 1_800,
    byHand: false,
    words: 'Write guides as a file for somebody',
  },
  'remove-old-exports': {
    ...tidying,
    every: { ms: HOUR_MS, afterMs: 25 * 60_000 },
    words: 'Delete files made of guides after their seven days',
  },
  'forget-expired-sessions': {
    ...tidying,
    every: { ms: HOUR_MS, afterMs: 10 * 60_000 },
    words: 'Forget sessions, devices and links that have expired',
  },
  'remove-abandoned-recordings': {
    ...tidying,
    every: { ms: DAY_MS, afterMs: 3 * HOUR_MS },
    words: 'Delete recordings that were never finished',
  },
  'follow-the-day': {
    ...tidying,
    every: { ms: HOUR_MS, afterMs: 15 * 60_000 },
    words: 'Bring audiences up to date that change with the day',
  },
  'rebuild-audiences': { ...tidying, every: { ms: DAY_MS, afterMs: 4 * HOUR_MS }, words: 'Ask all audiences anew who belongs to them' },
  'date-anew': {
    data: z.object({ siteId: GroupId }),
    lane: 'short',
    tries: 4,
    pauseS: 15,
    lastsAtMostS: 600,
    byHand: false,
    words: 'Count due days anew after a calendar was changed',
  },
  'begin-rounds': { ...tidying, every: { ms: HOUR_MS, afterMs: 20 * 60_000 }, words: 'Begin anew what is to be done again and again' },
  'advance-plans': { ...tidying, every: { ms: HOUR_MS, afterMs: 2 * 60_000 }, words: 'Bring plans forward: stages that begin' },
  remind: { ...tidying, every: { ms: HOUR_MS, afterMs: 0 }, words: 'Remind people of what is due' },
  'gather-mails': {
    ...tidying,
    lane: 'short',
    every: { ms: 15 * 60_000, afterMs: 5 * 60_000 },
    words: 'Find for whom a mail of the day is due',
  },
  recount: { ...tidying, tries: 2, lastsAtMostS: 7_200, words: 'Count all events anew' },
} as const satisfies Record<string, JobRules>

/** The name of a kind of job. */
export type JobName = keyof typeof JOBS
/** What a job of this kind has to know. */
export type JobData<N extends JobName> = z.infer<(typeof JOBS)[N]['data']>
