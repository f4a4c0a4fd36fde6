export { Decoder } from './decoder'

export type { ReadPicture } from './readPicture'
