export { combineSteps, combinedText, pinnedDown } from './combine'
export type { KeptPictures } from './combine'
export { copyOfGuide } from './copyOfGuide'
export { WRITING_REASONS, isBroken, linksOf, writingFindings } from './findings'
export type { WritingFinding, WritingReason } from './findings'
export { findInGuide, searchFor } from './findReplace'
export type { Found, FoundIn, Search } from './findReplace'
export {
  cautionOnAll,
  chosenItems,
  chosenSteps,
  copiesOf,
  insertItems,
  moveItems,
  rangeBetween,
  removeItems,
  signOnAll,
  splitStep,
} from './manySteps'
export { joinWithBefore } from './joinWithBefore'
export type { JoinedSteps } from './joinWithBefore'
export { pasteAnnotations, positionOf, withPosition } from './pasteAnnotations'
export type { Position } from './pasteAnnotations'
export { replacePicture, setElement } from './replacePicture'
