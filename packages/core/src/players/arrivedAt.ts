import type { Here } from './state'

/** Version of the rules by which players go now. */
export const RULES = 2

/** A step at which somebody has just arrived. */
export const arrivedAt = (since: number): Here => ({
  since,
  tries: 0,
  hint: 0,
  shown: false,
  placed: false,
  found: [],
  done: false,
})
