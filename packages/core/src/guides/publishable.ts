import { gravestOf, type CautionLevel } from './caution'
import type { QuizId } from '../shared'
import { guideQuizzesOf, stepName, stepsOf, type GuideDocument } from './document'
import { kindOf } from './guideItems'
import { leastReadMs } from './text/leastTime'
import { toAcknowledge } from './toAcknowledge'
import { tooMuchIn } from './tooMuch'

/** What can stand in the way of publishing. */
export const PUBLISHING_REASONS = [
  'no-title',
  'no-steps',
  'empty-step',
  'blackout-pending',
  'too-much',
  'quiz-not-there',
  'not-ready',
] as const
/** Whether a finding keeps a guide from being published; the others are told and the publisher decides. */
export const stopsPublishing = (finding: Finding): boolean => finding.reason !== 'not-ready'
/** Something to be looked at before publishing, with the place where it is mended. */
export type Finding = {
  reason: (typeof PUBLISHING_REASONS)[number]
  itemId: string | null
  /** What its author says is missing. */
  why?: string
}

/** What has to be mended before a document can be published, and what its authors have flagged as not ready.
 * @param takable the quizzes that can be taken, and that whoever publishes may see */
export function findingsBeforePublishing(document: GuideDocument, takable: ReadonlySet<QuizId>): Finding[] {
  const findings: Finding[] = []
  if (document.title.trim() === '') findings.push({ reason: 'no-title', itemId: null })
  const steps = stepsOf(document)
  if (steps.length === 0) findings.push({ reason: 'no-steps', itemId: null })
  for (const step of steps)
    if (stepName(step) === '' && step.pictures.length === 0) findings.push({ reason: 'empty-step', itemId: step.id })
  for (const step of steps)
    if (step.pictures.some((picture) => picture.annotations?.some((each) => each.kind === 'blackout')))
      findings.push({ reason: 'blackout-pending', itemId: step.id })
  for (const { itemId } of tooMuchIn(document)) findings.push({ reason: 'too-much', itemId })
  for (const { id, quizId } of guideQuizzesOf(document)) if (!takable.has(quizId)) findings.push({ reason: 'quiz-not-there', itemId: id })
  for (const item of document.items)
    if (item.notReady) findings.push({ reason: 'not-ready', itemId: item.id, ...(item.notReadyWhy ? { why: item.notReadyWhy } : {}) })
  return findings
}

/** The document as readers get it: without what is there for authors only. */
export const readyToRead = (document: GuideDocument): GuideDocument => ({
  ...document,
  items: document.items.map((item) => kindOf(item).ready(item)),
  silenced: [],
})

/** A row for each step of an edition, from which figures, rights and search work without opening the document. `caution`: the gravest level that is
 * to be acknowledged. */
export type EditionStep = {
  stepId: string
  position: number
  section: string
  name: string
  caution: CautionLevel | null
  leastMs: number
}

/** The rows of an edition's steps.
 * @returns one row a step, `position` counted from 1, `section` the heading above it or empty */
export function editionSteps(document: GuideDocument): EditionStep[] {
  const rows: EditionStep[] = []
  let section = ''
  for (const item of document.items) {
    if (item.kind === 'section') section = item.title
    if (item.kind === 'step') {
      rows.push({
        stepId: item.id,
        position: rows.length + 1,
        section,
        name: stepName(item),
        caution: gravestOf(toAcknowledge(item.cautions)),
        leastMs: leastReadMs(item),
      })
    }
  }
  return rows
}
