export { inbox } from './domain'
export { notify, settle, takeBack } from './notify'
export type { Telling } from './notify'
