import { useSyncExternalStore } from 'react'

/** Says for a moment what has been done, with a way back where there is one. `words`: whole, in the language that is spoken. */
export type Toast = { id: number; words: string; undo?: () => void }

let toasts: readonly Toast[] = []
let last = 0
const listeners = new Set<() => void>()
function keep(next: readonly Toast[]): void {
  toasts = next
  listeners.forEach((listener) => listener())
}

/** Says what has been done. At most three stand there; the oldest goes. */
export const showToast = (words: string, undo?: () => void): void =>
  keep([...toasts, { id: ++last, words, ...(undo ? { undo } : {}) }].slice(-3))
export const dropToast = (id: number): void => keep(toasts.filter((toast) => toast.id !== id))

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
const now = (): readonly Toast[] => toasts
/** What is being said now. */
export const useToasts = (): readonly Toast[] => useSyncExternalStore(subscribe, now, now)
