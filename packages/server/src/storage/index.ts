export type { ContentStore } from './contentStore'
export { localStore } from './localStore'
