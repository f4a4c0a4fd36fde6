export { CLIP_LIMITS, ClipKind, NewClip } from './clip'
export { readCaptions, writeCaptions } from './captions'
export type { CaptionsRead, Cue } from './captions'
export { wave } from './wave'
