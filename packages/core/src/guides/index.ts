export { RichText } from './text/richText'
export { isSafeLink } from './text/safeLink'
export { paragraph, richTextOf } from './text/richTextOf'
export type { Block, Inline, ListItem, Mark, TableCell, TableRow } from './text/richText'
export { guideLink, readGuideLink } from './text/guideLink'
export type { GuideLink } from './text/guideLink'
export { freshBlockIds, withBlockIds } from './text/blockIds'
export { cleanRichText } from './text/cleanRichText'
export { countWords, plainText } from './text/plainText'
export { guideText } from './text/guideText'
export {
  GuideDocument,
  GuideItem,
  GuideQuiz,
  QUIZ_NEEDS,
  Section,
  Step,
  elementOf,
  emptyDocument,
  guideQuizzesOf,
  itemName,
  stepName,
  stepsOf,
} from './document'
export type { ItemId } from './document'
export { factOf, GuideClosing, GuideKind, GuideSummary, GuideSystem, GuideTitle } from './guideFacts'
export type { FactName, GuideFacts } from './guideFacts'
export { Sheet, StepPicture, storedPicturesOf } from './stepPicture'
export type { PictureSizes } from './stepPicture'
export { STEP_FIELDS } from './stepFields'
export type { StepField } from './stepFields'
export type { Copying, Joining } from './fields'
export type { TextWhere } from './visits'
export { copyOfItem, GUIDE_ITEMS, kindOf } from './guideItems'
export { changeTexts, textsOf } from './texts'
export type { TextOfGuide } from './texts'
export { Doubt, Locator, Rect, StepAction, StepCheck, StepElement, Verb } from './onScreen'
export { Accept, Exercise, PLAIN_SOLO, PopUpButton, SoloRules, Task } from './exercise'
export { Choice, Condition, Flow, Rule, Target } from './flow'
export { minutesToRead } from './text/minutes'
export { leastReadMs, READING_MS, usualReadMs } from './text/leastTime'
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
export { Caution, CautionLevel, gravestOf } from './caution'
export { toAcknowledge } from './toAcknowledge'
export { HEAD_FACTS } from './headFacts'
export { GuideLook, HeadFact, Look } from './look'
export { PLAIN_LOOK, lookOf } from './lookOf'
export { SIGN_IDS, SignId } from './signId'
export { FRAME_GAP_PX, NEWEST_VERSION, readDocument } from './readDocument'
export { Change } from './changing/changes'
export type { ChangeOf, ChangeType, StepFieldsSet } from './changing/changes'
export { itemOf, pictureRefsIn, targetsOf } from './changing/changeKinds'
export type { ChangeTarget, TargetKind } from './changing/changeKinds'
export { changesBetween } from './changing/changesBetween'
export { OldChange, inOldForm, readChange } from './changing/oldChanges'
export { GUIDE_LIMITS } from './limits'
export type { Limit } from './limits'
export { tooMuchIn } from './tooMuch'
export type { TooMuch } from './tooMuch'
export { mapPictures, pictureRefsOf, shownPictures } from './pictureRefs'
export type { PictureRefs } from './pictureRefs'
export { theirsIn } from './changing/theirs'
export type { FactNow, Theirs } from './changing/theirs'
export { apply, applyAll } from './changing/apply'
export { joinChanges, joinPair } from './changing/joinChanges'
export { rebase } from './changing/rebase'
export type { Conflict } from './changing/rebase'
export { PUBLISHING_REASONS, editionSteps, findingsBeforePublishing, readyToRead, stopsPublishing } from './publishable'
export type { EditionStep, Finding } from './publishable'
