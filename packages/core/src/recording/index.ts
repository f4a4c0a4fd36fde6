export {
  ActionId,
  ActionKind,
  ElementSeen,
  MAX_ACTIONS,
  MAX_TEXT_BOXES,
  PageSeen,
  PrivateKind,
  RawAction,
  RecordingId,
  SentenceLanguage,
  Shot,
  ShotId,
  Surrounding,
  TextBox,
} from './rawAction'
export type { Act } from './act'
export { hostOf, originOf, pageKey, withoutValues } from './address'
export { findPrivate, passesIban, passesLuhn, withoutPrivate } from './privateText'
export type { PrivatePassage } from './privateText'
export { privateAreas, textInPicture } from './privateAreas'
export type { PrivateArea } from './privateAreas'
export { markOf, marksOf, nameAsker } from './nameMarks'
export { tidy } from './tidy'
export { draftFrom, linesOf } from './draftFrom'
export type { RecordedDraft, StoredShot } from './draftFrom'
