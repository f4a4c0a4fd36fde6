import { seededIds, type SectionId, type StepId } from '../shared'
import type { GuideDocument, Section, Step } from './document'
import { emptyDocument } from './document'
import { richTextOf } from './text/richTextOf'

const nextId = seededIds(7)

/** A step with these lines of text, for tests. */
export const aStep = (...lines: string[]): Step => ({ kind: 'step', id: nextId() as StepId, body: richTextOf(...lines), pictures: [] })
/** A section heading, for tests. */
export const aSection = (title: string): Section => ({ kind: 'section', id: nextId() as SectionId, title })
/** A document with these items, for tests. */
export const aDocument = (...items: GuideDocument['items']): GuideDocument => ({ ...emptyDocument('Rinse the trays', 'how-to'), items })
