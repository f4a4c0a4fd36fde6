import type { Annotation } from '@jackdaw/core/guides'
import type { Position } from '@jackdaw/core/editing'
import { useSyncExternalStore } from 'react'

/** What an author has copied from pictures: annotations whole, or the position of one. Kept while the page is open, also from guide to guide. */
export type Copied = { annotations: readonly Annotation[]; position: Position | null }

let copied: Copied = { annotations: [], position: null }
const listeners = new Set<() => void>()
const set = (next: Copied) => {
  copied = next
  listeners.forEach((listener) => listener())
}
export const copyAnnotations = (annotations: readonly Annotation[]): void => set({ ...copied, annotations })
export const copyPosition = (position: Position): void => set({ ...copied, position })
export const useCopied = (): Copied =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => copied,
  )
