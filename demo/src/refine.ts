import { READING_WIDTH_PX } from '@jackdaw/core/annotations'
import type { Annotation, Caution, GuideDocument, SignId, Step, StepPicture } from '@jackdaw/core/guides'
import { FRAME_GAP_PX, stepsOf } from '@jackdaw/core/guides'
import type { PictureId } from '@jackdaw/core/shared'
import { REFINEMENTS, type Drawn, type Refinement } from './refinements'

/** Drawings are made on a sheet of 960 by 600 and stored one and a half times as large. */
const [WIDTH, HEIGHT, SCALE] = [960, 600, 1.5]
const OF = { widthPx: WIDTH * SCALE, heightPx: HEIGHT * SCALE }

const at = ([x, y]: readonly [number, number]) => ({ to: 'picture' as const, at: { x: x / WIDTH, y: y / HEIGHT }, gapPx: 0 })
const part = ([x, y, width, height]: readonly [number, number, number, number]) => ({
  to: 'picture' as const,
  rect: { x: x / WIDTH, y: y / HEIGHT, width: width / WIDTH, height: height / HEIGHT },
})

/** From the dot to the middle of a label, as it is read. */
const offset = (dot: readonly [number, number], stands: readonly [number, number]) => ({
  dx: Math.round(((stands[0] - dot[0]) * READING_WIDTH_PX) / WIDTH),
  dy: Math.round(((stands[1] - dot[1]) * READING_WIDTH_PX) / WIDTH),
})

function annotationOf(drawn: Drawn, n: number): Annotation {
  const id = `drawn-${String(n).padStart(3, '0')}`
  switch (drawn.kind) {
    case 'frame':
      return { id, kind: 'frame', area: drawn.area ? part(drawn.area) : { to: 'element', gapPx: FRAME_GAP_PX } }
    case 'label':
      return {
        id,
        kind: 'label',
        words: drawn.words,
        at: drawn.at ? at(drawn.at) : { to: 'element', at: drawn.point ?? 'right', gapPx: 0 },
        ...(drawn.practise ? { practiseWords: drawn.practise } : {}),
        ...(drawn.at && drawn.stands ? { place: offset(drawn.at, drawn.stands) } : {}),
      }
    case 'tag':
      return { id, kind: 'tag', number: drawn.number, meaning: drawn.meaning ?? 'sequence', at: at(drawn.at) }
    case 'arrow':
      return { id, kind: 'arrow', from: at(drawn.from), to: at(drawn.to), bend: drawn.bend ?? 0, heads: 'end' }
    case 'inset':
      return { id, kind: 'inset', detail: part(drawn.detail), at: at(drawn.at), zoom: drawn.zoom }
  }
}

/** A step with its pictures drawn on, its cautions and its signs. */
function refined(step: Step, refinement: Refinement, pictureOf: (file: string) => PictureId | undefined): Step {
  const annotations = (refinement.drawn ?? []).map(annotationOf)
  const cautions = (refinement.cautions ?? []).map((caution, n): Caution => ({ ...caution, id: `caution-${n}` }))
  const own = refinement.picture ? pictureOf(refinement.picture) : undefined
  const pictures: StepPicture[] =
    own && !step.pictures.some((each) => each.id === own) ? [...step.pictures, { id: own, alt: refinement.alt ?? '' }] : step.pictures
  const [first, ...others] = pictures
  const [x, y, width, height] = refinement.shown ?? [0, 0, 0, 0]
  const [ex, ey, ewidth, eheight] = refinement.element ?? [0, 0, 0, 0]
  return {
    ...step,
    pictures: first
      ? [
          {
            ...first,
            annotations: [...(first.annotations ?? []), ...annotations],
            ...(refinement.shown ? { shown: { x: x * SCALE, y: y * SCALE, width: width * SCALE, height: height * SCALE } } : {}),
          },
          ...others,
        ]
      : [],
    ...(refinement.element && first
      ? {
          element: {
            pictureId: first.id,
            rect: { x: ex * SCALE, y: ey * SCALE, width: ewidth * SCALE, height: eheight * SCALE },
            of: OF,
            role: '',
            name: '',
            frame: [],
            locators: [],
          },
        }
      : {}),
    ...(cautions.length > 0 ? { cautions } : {}),
    ...(refinement.signs ? { signs: [...refinement.signs] } : {}),
  }
}

/** A guide of the demo with everything that its author has drawn and written around its text.
 * @param pictureOf finds a picture of the guide by the name of its file */
export function refine(document: GuideDocument, file: string, pictureOf: (file: string) => PictureId | undefined): GuideDocument {
  const refinement = REFINEMENTS[file]
  if (!refinement) return document
  const numbers = new Map(stepsOf(document).map((step, n) => [step.id, n + 1]))
  return {
    ...document,
    signs: [...((refinement.signs ?? []) as SignId[])],
    items: document.items.map((item) => {
      const step = item.kind === 'step' ? refinement.steps[numbers.get(item.id)!] : undefined
      return item.kind === 'step' && step ? refined(item, step, pictureOf) : item
    }),
  }
}

/** Steps of a refined guide whose cautions have to be acknowledged. */
export const cautionSteps = (document: GuideDocument): Set<string> =>
  new Set(stepsOf(document).flatMap((step) => (step.cautions?.some((caution) => caution.acknowledge) ? [step.id as string] : [])))
