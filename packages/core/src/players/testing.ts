import { emptyDocument, richTextOf, type GuideDocument, type Section, type Step, type StepElement, type Verb } from '../guides'
import { seededIds, type PictureId, type SectionId, type StepId } from '../shared'
import type { Person } from '../flow'
import { actingScriptOf } from './actingScript'
import type { Play } from './moves'

const nextId = seededIds(70)
/** A picture's id, for tests. */
export const PICTURE = nextId() as PictureId

/** A step that says this, for tests. */
export const says = (words: string): Step => ({ kind: 'step', id: nextId() as StepId, body: richTextOf(words), pictures: [] })
/** A heading, for tests. */
export const heading = (title: string): Section => ({ kind: 'section', id: nextId() as SectionId, title })
/** A guide of these items, for tests. */
export const guideOf = (...items: GuideDocument['items']): GuideDocument => ({ ...emptyDocument('Enter an order', 'how-to'), items })

/** An element of 100 by 40 pixels on a picture of 1,000 by 600, for tests. */
export const elementAt = (x: number, y: number, name = 'Save'): StepElement => ({
  pictureId: PICTURE,
  rect: { x, y, width: 100, height: 40 },
  of: { widthPx: 1_000, heightPx: 600 },
  role: 'button',
  name,
  frame: [],
  locators: [],
})

/** A step at which something is done to an element at (100, 100), for tests. */
export const acting = (step: Step, verb: Verb = 'select', more: { value?: string; key?: string; name?: string } = {}): Step => ({
  ...step,
  pictures: [{ id: PICTURE, alt: '' }],
  action: {
    verb,
    ...(more.value === undefined ? {} : { value: more.value }),
    ...(more.key === undefined ? {} : { key: more.key }),
    page: { address: '', title: '', application: '' },
    ...(verb === 'press' ? {} : { element: elementAt(100, 100, more.name) }),
    ...(verb === 'drag' ? { onto: elementAt(600, 400, 'Bin') } : {}),
  },
})

/** Somebody without roles who writes English, for tests. */
export const ANYBODY: Person = { roles: [], sites: [], language: 'en' }

/** A document made ready to be played, for tests. */
export const playOf = (document: GuideDocument, solo = false, person = ANYBODY, triesPerStep = document.solo.triesPerStep): Play => ({
  script: actingScriptOf(document, solo ? 'solo' : 'read'),
  person,
  triesPerStep,
  settled: new Set(),
})

/** A click in the middle of an element, or beside it, for tests. */
export const click = (on: 'element' | 'beside' | { x: number; y: number }, how: 'once' | 'double' | 'right' = 'once') => ({
  do: 'click' as const,
  pictureId: PICTURE,
  by: 'mouse' as const,
  scale: 1,
  at: on === 'element' ? { x: 150, y: 120 } : on === 'beside' ? { x: 400, y: 500 } : on,
  how,
})
