export { Decoder } from './decoder'

export type { ReadPicture } from './readPicture'
export { ENCODINGS, TABLE_LIMITS } from './tableFormat'
export type { Encoding, ReadTable } from './tableFormat'
