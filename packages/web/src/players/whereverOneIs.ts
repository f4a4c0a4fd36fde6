import type { PlayerState } from '@jackdaw/core/players'
import { keysOf } from '@jackdaw/core/shared'
import { useRef } from 'react'

/** Whether two states differ in nothing but where somebody is. */
export const sameWhereverOneIs = (before: PlayerState, now: PlayerState): boolean =>
  before === now || keysOf(now).every((key) => key === 'at' || key === 'here' || now[key] === before[key])

/** A state that stays the same value as long as somebody only moves about, so that what does not hang on it is not worked out again. */
export function useWhereverOneIs(state: PlayerState): PlayerState {
  const kept = useRef(state)
  if (!sameWhereverOneIs(kept.current, state)) kept.current = state
  return kept.current
}
