export type { PictureFiles } from './jobs'
export { Writer } from './writer'
