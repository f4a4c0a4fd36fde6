import type { Annotation, AnnotationStyle, Look, TypeFace } from '../guides'
import type { WayOfUse } from '../ways'
import { casingFor, hexFor } from './colour'
import { READING_WIDTH_PX, unitOf, type Ground } from './attach'

/** In what a picture's annotations are drawn. */
export type Setting = {
  look: Look
  /** Labels may say something else in Practise. */
  way: WayOfUse['labels']
  /** Width of the shown part on the screen or paper, in CSS pixels. */
  shownPx: number
}

/** Strokes are never thinner than this share of their width, however small the picture is shown. */
const LEAST_WEIGHT = 0.5

/** How one annotation is drawn; all sizes in pixels of the picture. */
export type Pen = { colour: string; casing: string; strokePx: number; casingPx: number; typePx: number; face: TypeFace; unit: number }

const isWorded = (kind: Annotation['kind']): boolean => kind === 'label' || kind === 'text'

/** The style that the guide gives to a kind of annotation. */
export const styleOf = (kind: Annotation['kind'], look: Look): AnnotationStyle => ({
  colour: isWorded(kind) || kind === 'tag' ? look.labelColour : look.frameColour,
  strokePx: look.framePx,
  typePx: look.labelPx,
  face: look.labelFace,
})

/** The pen for an annotation: the guide's style, with what the annotation overrules. */
export function penFor(annotation: Annotation, ground: Ground, { look, shownPx }: Setting): Pen {
  const style = styleOf(annotation.kind, look)
  const own = annotation.style ?? {}
  const colour = hexFor(own.colour ?? style.colour, look)
  const unit = unitOf(ground)
  const scale = ground.shown.width / Math.max(1, shownPx)
  const weight = Math.min(1, Math.max(LEAST_WEIGHT, shownPx / READING_WIDTH_PX))
  // The stroke as it is wanted on the screen, but never heavier in the picture than at the reading width.
  const perPx = Math.max(unit, weight * scale)
  return {
    colour,
    casing: casingFor(colour),
    strokePx: (own.strokePx ?? style.strokePx) * perPx,
    casingPx: 2 * perPx,
    typePx: (own.typePx ?? style.typePx) * unit,
    face: own.face ?? style.face,
    unit,
  }
}
