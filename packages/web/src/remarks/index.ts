export { GuideRemarks, RemarksOnGoneSteps } from './GuideRemarks'
export { RemarkMark, StepRemarks } from './StepRemarks'
export { RemarksForMe } from './RemarksForMe'
export type { About } from './about'
