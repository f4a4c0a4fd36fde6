export { Decoder } from './decoder'

export type { ReadPicture } from './readPicture'
export type { ReadTable } from './tableFormat'
