import type { NewId } from './ids'

/** A seeded source of numbers in [0, 1): the same seed gives the same row for ever. For demo data and tests, never for secrets.
 * Source: mulberry32, public domain (T. Ettinger).
 * @param seed any integer; only its lower 32 bits count */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** Draws from the outside: ids from a seeded source, for tests and measurements.
 * @returns a function that gives a new 21-character id at each call */
export function seededIds(seed: number): NewId {
  const next = seededRandom(seed)
  const alphabet = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789_-'
  return <I extends string>() => Array.from({ length: 21 }, () => alphabet[Math.floor(next() * 64)]).join('') as I
}
