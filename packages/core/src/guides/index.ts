export { RichText, isSafeLink, paragraph, richTextOf } from './text/richText'
export type { Block, Inline, ListItem, Mark, TableCell, TableRow } from './text/richText'
export { guideLink, readGuideLink } from './text/guideLink'
export type { GuideLink } from './text/guideLink'
export { cleanRichText, withBlockIds } from './text/cleanRichText'
export { countWords, plainText } from './text/plainText'
export { guideText } from './text/guideText'
export {
  GuideDocument,
  GuideItem,
  GuideKind,
  GuideSummary,
  GuideTitle,
  Section,
  Sheet,
  Step,
  StepPicture,
  elementOf,
  emptyDocument,
  itemName,
  stepName,
  stepsOf,
  storedPicturesOf,
} from './document'
export type { ItemId, PictureSizes } from './document'
export { Doubt, Locator, Rect, StepAction, StepCheck, StepElement, Verb } from './onScreen'
export { Accept, Exercise, PLAIN_SOLO, PopUpButton, SoloRules, Task } from './exercise'
export { Choice, Condition, Flow, Rule, Target } from './flow'
export { minutesToRead } from './text/minutes'
export { leastReadMs } from './text/leastTime'
export {
  Anchor,
  Annotation,
  AnnotationId,
  AnnotationStyle,
  Area,
  ArrowHeads,
  AttachedPoint,
  AttachedTo,
  Colour,
  NamedPoint,
  Offset,
  TagMeaning,
  TypeFace,
} from './annotation'
export type { AnnotationKind } from './annotation'
export { Caution, CautionLevel, gravestOf, toAcknowledge } from './caution'
export { GuideLook, HeadFact, Look, PLAIN_LOOK, lookOf } from './look'
export { SIGN_IDS, SignId } from './signId'
export { FRAME_GAP_PX, NEWEST_VERSION, readDocument } from './readDocument'
export { Change, itemOf, targetsOf } from './changing/changes'
export type { ChangeTarget, TargetKind } from './changing/changes'
export { GUIDE_LIMITS } from './limits'
export type { Limit } from './limits'
export { tooMuchIn } from './tooMuch'
export type { TooMuch } from './tooMuch'
export { pictureRefsIn, pictureRefsOf, shownPictures, withPictures } from './pictureRefs'
export type { PictureRefs } from './pictureRefs'
export { theirsIn } from './changing/theirs'
export type { FactName, FactNow, Theirs } from './changing/theirs'
export { apply, applyAll } from './changing/apply'
export { joinChanges, joinPair } from './changing/joinChanges'
export { rebase } from './changing/rebase'
export type { Conflict } from './changing/rebase'
export { PUBLISHING_REASONS, editionSteps, findingsBeforePublishing, readyToRead, stopsPublishing } from './publishable'
export type { EditionStep, Finding } from './publishable'
