import { emptyDocument, PLAIN_LOOK, richTextOf, type GuideDocument, type GuideQuiz, type Section, type Step } from '../../guides'
import { seededIds, type GuideId, type GuideQuizId, type QuizId, type SectionId, type StepId } from '../../shared'
import type { Handout, HandoutGuide } from '../handout'
import type { Paper } from './layOut'
import type { Part } from './part'
import type { Type } from './type'

/** Type in which every letter is half as wide as it is high, and which has no letters but Latin ones. */
export const PLAIN_TYPE: Type = {
  widthOf: (words) => [...words].length * 0.5,
  lacks: (character) => character.codePointAt(0)! > 0x24f && !/[‘’“”…–•]/.test(character),
}

const nextId = seededIds(18)
/** A step with these lines of text, for tests. */
export const aStep = (...lines: string[]): Step => ({ kind: 'step', id: nextId<StepId>(), body: richTextOf(...lines), pictures: [] })
const aSection = (title: string): Section => ({ kind: 'section', id: nextId<SectionId>(), title })
/** A quiz among the steps that has to be passed, for tests. */
export const aGuideQuiz = (): GuideQuiz => ({ kind: 'quiz', id: nextId<GuideQuizId>(), quizId: nextId<QuizId>(), need: 'passed' })
/** A document with these items, for tests. */
export const aDocument = (...items: GuideDocument['items']): GuideDocument => ({ ...emptyDocument('Rinse the trays', 'how-to'), items })

/** A guide that is put out, for tests. */
export const aHandoutGuide = (document: GuideDocument, more: Partial<HandoutGuide> = {}): HandoutGuide => ({
  guideId: 'V1StGXR8_Z5jdHi6B-myT' as GuideId,
  number: 12,
  edition: 3,
  published: '3 November 2026',
  owner: 'Ada Finch',
  minutes: 4,
  document,
  section: null,
  look: PLAIN_LOOK,
  sizes: {},
  quizzes: {},
  groups: {},
  address: 'https://guides.example/guides/V1StGXR8_Z5jdHi6B-myT?printed=3',
  qr: { d: 'M0 0h1v1h-1z', size: 21 },
  ...more,
})
/** Guides that are put out together, for tests. */
export const aHandout = (...guides: HandoutGuide[]): Handout => ({
  title: guides.length === 1 ? guides[0]!.document.title : 'Order office',
  made: '4 November 2026',
  language: 'en',
  home: 'https://guides.example',
  look: PLAIN_LOOK,
  guides,
})
/** A guide with sections, for tests. @param steps in each of them */
export const longGuide = (sections: number, steps: number): GuideDocument =>
  aDocument(
    ...Array.from({ length: sections }, (_, s) => [
      aSection(`Part ${s + 1}`),
      ...Array.from({ length: steps }, (__, n) => aStep(`Rinse tray ${s * steps + n + 1} with warm water`)),
    ]).flat(),
  )

/** Words with what they are put into. */
export const plainWords = (key: string, into: Record<string, unknown> = {}): string =>
  key.replace(/\{\{(\w+)\}\}/g, (_, name: string) => String(into[name]))

/** Everything that is written on paper, page by page, in order. */
export const wordsOn = (paper: Paper): string[] =>
  paper.pages.map((page) => page.placed.flatMap((each) => (each.is === 'words' ? [each.words.trim()] : [])).join(' '))
/** All parts of a structure. */
export const partsIn = (part: Part): Part[] => [part, ...part.parts.flatMap(partsIn)]
