import {
  emptyDocument,
  richTextOf,
  type Anchor,
  type Annotation,
  type GuideDocument,
  type NamedPoint,
  type Section,
  type Step,
} from '../guides'
import { seededIds, type PictureId, type SectionId, type StepId } from '../shared'

export const ids = seededIds(41)
export const aStep = (...lines: string[]): Step => ({ kind: 'step', id: ids() as StepId, body: richTextOf(...lines), pictures: [] })
export const aSection = (title: string): Section => ({ kind: 'section', id: ids() as SectionId, title })
export const aDocument = (...items: GuideDocument['items']): GuideDocument => ({ ...emptyDocument('Rinse the trays', 'how-to'), items })
export const of = { widthPx: 1280, heightPx: 800 }
export const elementIn = (pictureId: PictureId, x = 300, y = 200) => ({
  pictureId,
  rect: { x, y, width: 120, height: 40 },
  of,
  role: 'button',
  name: 'Save',
  frame: [],
  locators: [],
})
export const label = (id: string, at: NamedPoint = 'right', to: Anchor['to'] = 'element'): Annotation => ({
  id,
  kind: 'label',
  words: 'Press here',
  at: { to, at, gapPx: 0 },
})
export function framed(words: string, x = 300): Step {
  const id = ids() as PictureId
  const step = aStep(words)
  return {
    ...step,
    pictures: [
      { id, alt: words, annotations: [{ id: 'frame-element', kind: 'frame', area: { to: 'element', gapPx: 3 } }, label('label-one')] },
    ],
    action: {
      verb: 'select',
      page: { address: 'https://book.example/', title: 'Orders', application: 'Order Book' },
      element: elementIn(id, x),
    },
  }
}
