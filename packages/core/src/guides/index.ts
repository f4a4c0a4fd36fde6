export { RichText, isSafeLink, paragraph, richTextOf } from './richText'
export type { Block, Inline, ListItem, Mark, TableCell, TableRow } from './richText'
export { guideLink, readGuideLink } from './guideLink'
export type { GuideLink } from './guideLink'
export { cleanRichText, withBlockIds } from './cleanRichText'
export { countWords, plainText } from './plainText'
export { guideText } from './guideText'
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
export { minutesToRead } from './minutes'
export { leastReadMs } from './leastTime'
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
export { Change, itemOf, targetsOf } from './changes'
export type { ChangeTarget, TargetKind } from './changes'
export { GUIDE_LIMITS } from './limits'
export type { Limit } from './limits'
export { tooMuchIn } from './tooMuch'
export type { TooMuch } from './tooMuch'
export { pictureRefsIn, pictureRefsOf, shownPictures, withPictures } from './pictureRefs'
export type { PictureRefs } from './pictureRefs'
export { theirsIn } from './theirs'
export type { FactName, FactNow, Theirs } from './theirs'
export { apply, applyAll } from './apply'
export { joinChanges, joinPair } from './joinChanges'
export { rebase } from './rebase'
export type { Conflict } from './rebase'
export { PUBLISHING_REASONS, editionSteps, findingsBeforePublishing, readyToRead, stopsPublishing } from './publishable'
export type { EditionStep, Finding } from './publishable'
