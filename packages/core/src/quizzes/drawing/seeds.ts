import { seededRandom } from '../../shared'
import type { Shuffle } from '../questions/kindOfQuestion'

/** A number from a text, 32 bits (FNV-1a, G. Fowler, L. Noll, K.-P. Vo): so that each list has a chance of its own under one seed. */
function hashOf(words: string): number {
  let hash = 0x811c9dc5
  for (let n = 0; n < words.length; n++) hash = Math.imul(hash ^ words.charCodeAt(n), 0x01000193)
  return hash >>> 0
}

/** The list in another order, each order as likely as any other (R. Durstenfeld, Algorithm 235, 1964). @param next in [0, 1) */
export function shuffled<T>(list: readonly T[], next: () => number): T[] {
  const out = [...list]
  for (let n = out.length - 1; n > 0; n--) {
    const at = Math.floor(next() * (n + 1))
    ;[out[n], out[at]] = [out[at]!, out[n]!]
  }
  return out
}
/** A source of chance for one purpose under a seed: the same for the same purpose. */
export const chanceFor = (seed: number, purpose: string): (() => number) => seededRandom(seed ^ hashOf(purpose))
/** Shuffles under a seed. */
export const shuffleFor =
  (seed: number, purpose: string): Shuffle =>
  (list, part) =>
    shuffled(list, chanceFor(seed, `${purpose} ${part}`))
