export {
  READING_WIDTH_PX,
  anchorAt,
  areaFrom,
  areaOf,
  gapWay,
  pinned,
  pinnedArea,
  pointOf,
  rectOf,
  sharesOf,
  unitOf,
  wholeOf,
  widestOf,
} from './attach'
export type { Ground } from './attach'
export { INK, LEAST_CONTRAST, PALETTE, WHITE, casingFor, contrast, contrastUnder, darkened, hexFor, rgbOf, wordsOn } from './colour'
export type { Pixels } from './colour'
export { LEAST_TYPE_PX, drawAnnotations, isListed } from './drawing'
export type { Drawing, Drawn, Listed, Setting } from './drawing'
export { anchorFor, areaFor, ownerOf } from './placing'
export { anchorMoved, attachedTo, handleMoved, handlesOf, movedBy, newAnnotation, pinnedDown, slipPlaced } from './kinds'
export type { DrawnBy, Handle } from './kinds'
export { cut, grown, holds, middleOf, movedInto, overlap } from './geometry'
export type { Point } from './geometry'
export { groundOf } from './groundOf'
export { NOTHING_PENDING, hiddenAreas, pendingBlackouts, placeKey } from './hidden'
export type { Pending } from './hidden'
export { preferredSides } from './sides'
export { areaBetween, snapBox, snapPoint } from './snap'
export type { Guideline, Snapped } from './snap'
export { broughtHome, straysOf } from './strays'
export type { Stray } from './strays'
export { styleOf } from './pen'
export { placeLabels, sideOf } from './placeLabels'
export type { LabelToPlace, Side } from './placeLabels'
export type { Shape } from './shape'
export { signKind, signParts } from './signs/sign'
export { SIGN_NAMES, SIGN_NAMES_GERMAN } from './signs/signNames'
export type { SignKind, SignPart } from './signs/sign'
export { LINE_HEIGHT } from './words'
