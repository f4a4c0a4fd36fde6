import { keysOf } from '../shared'
import { elementOf, stepsOf, type GuideDocument, type PictureSizes, type Step, type StepElement } from '../guides'
import { drawAnnotations, type Setting } from './drawing'
import { groundOf } from './groundOf'
import { READING_WIDTH_PX } from './attach'
import type { Side } from './placeLabels'

type Known = {
  prefer: Side | null
  look: Setting['look']
  ready: boolean
  element: StepElement | undefined
  onto: StepElement | undefined
  side: Side | null
}
const known = new WeakMap<Step['pictures'], Known>()

/** On which side the labels of a step stand, given the side in the step before. Remembered for as long as its pictures and what they
 * point at are the same, whatever is written in the step. */
function sideOfStep(step: Step, sizes: PictureSizes, look: Setting['look'], prefer: Side | null): Side | null {
  const labelled = step.pictures.find((picture) => picture.annotations?.some((each) => each.kind === 'label'))
  if (!labelled) return prefer
  const ground = groundOf(step, labelled, sizes[labelled.id])
  const now = { prefer, look, ready: ground !== undefined, element: elementOf(step), onto: step.action?.onto }
  const before = known.get(step.pictures)
  if (before && keysOf(now).every((each) => before[each] === now[each])) return before.side
  const drawing = ground && drawAnnotations(labelled.annotations ?? [], ground, { look, way: 'read', shownPx: READING_WIDTH_PX }, prefer)
  const side = drawing?.side ?? prefer
  known.set(step.pictures, { ...now, side })
  return side
}

/** For every step the side that its labels should prefer: that on which the labels of the step before stand.
 * @param sizes of the guide's pictures, as far as they are known
 * @param mayGoOn asked after every step; what is known by then is remembered, so that the next call goes on from there
 * @returns the sides so far, and whether all are known */
export function preferredSides(
  document: GuideDocument,
  sizes: PictureSizes,
  look: Setting['look'],
  mayGoOn: () => boolean = () => true,
): { sides: Map<string, Side | null>; done: boolean } {
  const sides = new Map<string, Side | null>()
  let side: Side | null = null
  for (const step of stepsOf(document)) {
    sides.set(step.id, side)
    if (!mayGoOn()) return { sides, done: false }
    side = sideOfStep(step, sizes, look, side)
  }
  return { sides, done: true }
}
