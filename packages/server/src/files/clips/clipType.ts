import type { ClipKind } from '@jackdaw/core/clips'
import { fileTypeFromBuffer } from 'file-type'

/** So much of the beginning is looked at: enough to come past the picture of an album in front of the sound. */
const LOOKED_AT = 1024 * 1024

/** What files of sound and video are served as, by what their first bytes say they are. `any`: it may hold either. */
const TYPES: Readonly<Record<string, { holds: ClipKind | 'any'; type: string }>> = {
  mp4: { holds: 'any', type: 'mp4' },
  m4v: { holds: 'video', type: 'mp4' },
  // QuickTime is the elder brother of MP4; browsers read it under that name.
  mov: { holds: 'video', type: 'mp4' },
  m4a: { holds: 'sound', type: 'mp4' },
  webm: { holds: 'any', type: 'webm' },
  ogv: { holds: 'video', type: 'ogg' },
  ogg: { holds: 'sound', type: 'ogg' },
  oga: { holds: 'sound', type: 'ogg' },
  opus: { holds: 'sound', type: 'ogg' },
  mp3: { holds: 'sound', type: 'mpeg' },
  aac: { holds: 'sound', type: 'aac' },
  wav: { holds: 'sound', type: 'wav' },
  flac: { holds: 'sound', type: 'flac' },
}

/** The media type of a clip by its first bytes, whatever its sender says.
 * @returns why it is none, in words */
export async function clipType(bytes: Uint8Array, kind: ClipKind): Promise<{ ok: true; mediaType: string } | { ok: false; words: string }> {
  const found = await fileTypeFromBuffer(bytes.subarray(0, LOOKED_AT))
  const known = found && Object.hasOwn(TYPES, found.ext) ? TYPES[found.ext] : undefined
  if (!known)
    return { ok: false, words: 'Sound may be MP3, M4A, AAC, WAV, FLAC, Ogg or WebM, video MP4, WebM or Ogg; this file is something else.' }
  if (known.holds === 'sound' && kind === 'video') return { ok: false, words: 'This file holds sound only. Choose it as sound.' }
  return { ok: true, mediaType: `${kind === 'sound' ? 'audio' : 'video'}/${known.type}` }
}
