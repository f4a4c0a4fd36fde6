import * as z from 'zod/mini'
import { ItemRef, pathOfItem } from '../items'
import { CheckInId, ExportId, QuizAttemptId } from '../shared'

/** What an entry is about: an item, a check-in, an attempt at a quiz, or a file that was made of guides. */
export type AboutRef =
  ItemRef | { kind: 'check-in'; id: CheckInId } | { kind: 'quiz-attempt'; id: QuizAttemptId } | { kind: 'export'; id: ExportId }
/** What an entry is about: an item, a check-in, an attempt at a quiz, or a file that was made of guides. */
export const AboutRef = z.union([
  ItemRef,
  z.object({ kind: z.literal('check-in'), id: CheckInId }),
  z.object({ kind: z.literal('quiz-attempt'), id: QuizAttemptId }),
  z.object({ kind: z.literal('export'), id: ExportId }),
]) as z.ZodMiniType<AboutRef>
/** What an entry is about whose kind and id have been stored together. */
export const aboutRefOf = (kind: AboutRef['kind'], id: AboutRef['id']): AboutRef => ({ kind, id }) as AboutRef
/** A check-in as what an entry is about. */
export const aboutCheckIn = (id: CheckInId) => ({ kind: 'check-in', id }) as const satisfies AboutRef
/** An attempt at a quiz as what an entry is about. */
export const aboutAttempt = (id: QuizAttemptId) => ({ kind: 'quiz-attempt', id }) as const satisfies AboutRef

/** A file that was made of guides as what an entry is about. */
export const aboutExport = (id: ExportId) => ({ kind: 'export', id }) as const satisfies AboutRef

/** Where what an entry is about is opened. */
export const pathOfAbout = (about: AboutRef): string => {
  if (about.kind === 'check-in') return `/check-ins/${about.id}`
  if (about.kind === 'export') return '/exports'
  return about.kind === 'quiz-attempt' ? `/quiz-attempts/${about.id}` : pathOfItem(about)
}
