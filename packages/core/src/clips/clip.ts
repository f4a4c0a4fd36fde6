import * as z from 'zod/mini'

/** What a clip is: something to listen to, or something to watch. */
export const ClipKind = z.enum(['sound', 'video'])
/** Read by {@link ClipKind}. */
export type ClipKind = z.infer<typeof ClipKind>

const MB = 1024 * 1024
/** How much clips may hold. */
export const CLIP_LIMITS = {
  /** Bytes of one clip. */
  bytes: 500 * MB,
  /** Bytes of one that somebody replies with. */
  replyBytes: 300 * MB,
  /** Milliseconds. */
  durationMs: 4 * 3_600_000,
  /** Most bytes that are sent at a time; and fewest, where it is not the end: what is stored in crumbs could not be fetched again. */
  partBytes: 8 * MB,
  leastPartBytes: 64 * 1024,
  /** Captions: characters of all, lines, and characters of one. */
  captions: 400_000,
  cues: 4_000,
  cue: 1_000,
} as const

/** What whoever sends a clip says about it. `durationMs`: as their browser found it. */
export const NewClip = z.object({
  kind: ClipKind,
  bytes: z.int().check(z.minimum(1, 'The file is empty'), z.maximum(CLIP_LIMITS.bytes)),
  durationMs: z.nullable(z.int().check(z.minimum(0), z.maximum(CLIP_LIMITS.durationMs))),
})
/** Read by {@link NewClip}. */
export type NewClip = z.infer<typeof NewClip>
