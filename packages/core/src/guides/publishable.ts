import { stepName, stepsOf, type GuideDocument } from './document'

/** Something that stands in the way of publishing, with the place where it is mended. */
export type Finding = { reason: 'no-title' | 'no-steps' | 'empty-step'; itemId: string | null }

/** What has to be mended before a document can be published; empty when nothing has. */
export function findingsBeforePublishing(document: GuideDocument): Finding[] {
  const findings: Finding[] = []
  if (document.title.trim() === '') findings.push({ reason: 'no-title', itemId: null })
  const steps = stepsOf(document)
  if (steps.length === 0) findings.push({ reason: 'no-steps', itemId: null })
  for (const step of steps)
    if (stepName(step) === '' && step.pictures.length === 0) findings.push({ reason: 'empty-step', itemId: step.id })
  return findings
}

/** A row for each step of an edition, from which figures, rights and search work without opening the document. */
export type EditionStep = { stepId: string; position: number; section: string; name: string }

/** The rows of an edition's steps.
 * @returns one row a step, `position` counted from 1, `section` the heading above it or empty */
export function editionSteps(document: GuideDocument): EditionStep[] {
  const rows: EditionStep[] = []
  let section = ''
  for (const item of document.items) {
    if (item.kind === 'section') section = item.title
    else rows.push({ stepId: item.id, position: rows.length + 1, section, name: stepName(item) })
  }
  return rows
}
