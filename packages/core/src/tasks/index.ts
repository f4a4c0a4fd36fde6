export { Confirmer, Evidence, TaskDocument, TASK_LIMITS, paragraphsOf } from './task'
export { askedToConfirm } from './confirmers'
export type { AskingFacts } from './confirmers'
export { HandInAnswer, MOST_EVIDENCE, MOST_REASON, TASK_VERBS } from './verbs'
