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
export { Glyph, glyphIn } from './glyph'
export type { Act } from './act'
export { hostOf, originOf, pageKey, withoutValues } from './address'
export { findingPrivate, findPrivate, withoutPrivate } from './private/privateText'
export type { PrivatePassage } from './private/passages'
export { privateAreas, textInPicture } from './private/privateAreas'
export type { PrivateArea } from './private/privateAreas'
export { markOf, marksOf, nameAsker } from './private/nameMarks'
export { tidy } from './tidy'
export { draftFrom, linesOf } from './draftFrom'
export type { RecordedDraft, StoredShot } from './draftFrom'
export { recordingAsMarkdown } from './asMarkdown'
