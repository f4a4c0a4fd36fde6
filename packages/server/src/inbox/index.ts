export { inbox } from './domain'
export { readMailRules, writeMailRules } from './mailRules'
export { notify, notifyOfMany, settle, takeBack, takeBackAll, takeBackToDo } from './notify'
export type { Telling } from './notify'
