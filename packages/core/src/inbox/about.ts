import * as z from 'zod/mini'
import { ItemRef, pathOfItem } from '../items'
import { AudienceSurveyId, CheckInId, ExportId, FigurePageId, QuizAttemptId } from '../shared'

/** What an entry is about: an item, a check-in, an attempt at a quiz, a file that was made of guides, a page of figures, or a survey. */
export type AboutRef =
  | ItemRef
  | { kind: 'check-in'; id: CheckInId }
  | { kind: 'quiz-attempt'; id: QuizAttemptId }
  | { kind: 'export'; id: ExportId }
  | { kind: 'figure-page'; id: FigurePageId }
  | { kind: 'survey'; id: AudienceSurveyId }
/** Read by {@link AboutRef}. */
export const AboutRef = z.union([
  ItemRef,
  z.object({ kind: z.literal('check-in'), id: CheckInId }),
  z.object({ kind: z.literal('quiz-attempt'), id: QuizAttemptId }),
  z.object({ kind: z.literal('export'), id: ExportId }),
  z.object({ kind: z.literal('figure-page'), id: FigurePageId }),
  z.object({ kind: z.literal('survey'), id: AudienceSurveyId }),
]) as z.ZodMiniType<AboutRef>
/** What an entry is about whose kind and id have been stored together. */
export const aboutRefOf = (kind: AboutRef['kind'], id: AboutRef['id']): AboutRef => ({ kind, id }) as AboutRef
/** A check-in as what an entry is about. */
export const aboutCheckIn = (id: CheckInId) => ({ kind: 'check-in', id }) as const satisfies AboutRef
/** An attempt at a quiz as what an entry is about. */
export const aboutAttempt = (id: QuizAttemptId) => ({ kind: 'quiz-attempt', id }) as const satisfies AboutRef

/** A file that was made of guides as what an entry is about. */
export const aboutExport = (id: ExportId) => ({ kind: 'export', id }) as const satisfies AboutRef

/** A page of figures as what an entry is about. */
export const aboutFigurePage = (id: FigurePageId) => ({ kind: 'figure-page', id }) as const satisfies AboutRef

/** A survey as what an entry is about. */
export const aboutSurvey = (id: AudienceSurveyId) => ({ kind: 'survey', id }) as const satisfies AboutRef

/** Where what an entry is about is opened. */
export const pathOfAbout = (about: AboutRef): string => {
  if (about.kind === 'check-in') return `/check-ins/${about.id}`
  if (about.kind === 'export') return '/exports'
  if (about.kind === 'survey') return `/asked/${about.id}`
  if (about.kind === 'figure-page') return `/engagement/pages/${about.id}`
  return about.kind === 'quiz-attempt' ? `/quiz-attempts/${about.id}` : pathOfItem(about)
}
