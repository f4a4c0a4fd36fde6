import * as z from 'zod/mini'
import { LONGEST_NUMBER, NUMBER_FORM } from './useNumber'

/** For what a guest is asked by number before they read: a session of a course, a job, a vehicle. */
export const LINK_ASKS = ['session', 'job', 'vehicle'] as const
/** Schema of it. */
export const LinkAsks = z.enum(LINK_ASKS)
/** Read by {@link LinkAsks}. */
export type LinkAsks = z.infer<typeof LinkAsks>

/** A number under which the use of a link is found later. */
export const UseNumber = z
  .string()
  .check(
    z.trim(),
    z.minLength(1),
    z.maxLength(LONGEST_NUMBER),
    z.regex(NUMBER_FORM, 'A number has figures in it, and besides them letters, spaces, dots, strokes and hyphens'),
  )
/** Read by {@link UseNumber}. */
export type UseNumber = z.infer<typeof UseNumber>

/** Whether a link holds: until it is revoked, or its days are over. */
export type LinkStanding = 'holds' | 'revoked' | 'expired'
/** How a link stands. @param link epoch milliseconds: when it was revoked, and from when on it holds no more */
export const linkStanding = (link: { revokedAt: number | null; expiresAt: number | null }, now: number): LinkStanding =>
  link.revokedAt !== null ? 'revoked' : link.expiresAt !== null && link.expiresAt <= now ? 'expired' : 'holds'

/** The origin of a site on which guides may be shown in a frame, as a browser names it: `https://` and a host, of one's own machine also `http://`.
 * @returns `null` where it is none */
export function frameOrigin(text: string): string | null {
  if (!URL.canParse(text.trim())) return null
  const { protocol, hostname, origin, username } = new URL(text.trim())
  const own = hostname === 'localhost' || hostname === '127.0.0.1'
  // A character that would end the list in which it is sent, or stand for many sites.
  if (username !== '' || /[*;,\s]/.test(origin)) return null
  return protocol === 'https:' || (protocol === 'http:' && own) ? origin : null
}
