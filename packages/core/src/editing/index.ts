export { combineSteps, combinedText } from './combine'
export type { Combined, KeptPictures, Lost } from './combine'
export { copyOfGuide } from './copyOfGuide'
export { WRITING_REASONS, isBroken, linksOf, writingFindings } from './findings'
export type { WritingFinding, WritingReason } from './findings'
export { findInGuide, replaceInGuide, searchFor } from './findReplace'
export type { Found, Search } from './findReplace'
export {
  cautionOnAll,
  chosenItems,
  chosenSteps,
  copiesOf,
  insertItems,
  moveItems,
  rangeBetween,
  removeItems,
  signsOnAll,
  splitStep,
} from './manySteps'
export { joinWithBefore } from './joinWithBefore'
export type { JoinedSteps } from './joinWithBefore'
export { pasteAnnotations, positionOf, withPosition } from './pasteAnnotations'
export type { Position } from './pasteAnnotations'
export { replacePicture, setElement } from './replacePicture'
