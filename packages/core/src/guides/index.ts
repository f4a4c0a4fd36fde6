export { RichText, isSafeLink, paragraph, richTextOf } from './richText'
export type { Block, Inline, ListItem, Mark, TableCell, TableRow } from './richText'
export { cleanRichText, withBlockIds } from './cleanRichText'
export { countWords, plainText } from './plainText'
export {
  GuideDocument,
  GuideItem,
  GuideKind,
  GuideSummary,
  GuideTitle,
  Section,
  Step,
  StepPicture,
  emptyDocument,
  minutesToRead,
  stepName,
  stepsOf,
} from './document'
export type { ItemId } from './document'
export { readDocument } from './readDocument'
export { Change, itemOf, targetsOf } from './changes'
export { apply, applyAll } from './apply'
export { joinChanges, joinPair } from './joinChanges'
export { rebase } from './rebase'
export type { Conflict } from './rebase'
export { editionSteps, findingsBeforePublishing } from './publishable'
export type { EditionStep, Finding } from './publishable'
