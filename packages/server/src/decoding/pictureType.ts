/** A refusal in words. */
export type Unreadable = { ok: false; words: string }

const startsWith = (bytes: Uint8Array, signature: string, at = 0): boolean =>
  Buffer.from(bytes.buffer, bytes.byteOffset + at, Math.min(signature.length, Math.max(0, bytes.length - at))).equals(
    Buffer.from(signature, 'latin1'),
  )

/** The type of a picture by its first bytes. */
export function pictureType(bytes: Uint8Array): 'png' | 'jpeg' | 'webp' | 'gif' | null {
  if (startsWith(bytes, '\x89PNG\r\n\x1a\n')) return 'png'
  if (startsWith(bytes, '\xff\xd8\xff')) return 'jpeg'
  if (startsWith(bytes, 'RIFF') && startsWith(bytes, 'WEBP', 8)) return 'webp'
  return startsWith(bytes, 'GIF87a') || startsWith(bytes, 'GIF89a') ? 'gif' : null
}

/** What is said of anything else. */
export const NOT_A_PICTURE: Unreadable = {
  ok: false,
  words: 'Pictures may be PNG, JPEG, WebP or GIF; this file is something else. The step is as it was.',
}
