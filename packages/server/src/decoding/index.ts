export { Decoder } from './decoder'

export type { ReadDocument } from './jobs'
export type { ReadPicture } from './readPicture'
export type { ReadTable } from './tableFormat'
