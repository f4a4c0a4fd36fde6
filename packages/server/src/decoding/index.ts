export { Decoder, DECODING_LIMITS } from './decoder'
export type { ReadText, SettledText } from './jobs'
export { PICTURE_LIMITS } from './limits'
export type { ReadPicture } from './readPicture'
