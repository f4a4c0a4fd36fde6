import type { PictureId } from '@jackdaw/core/shared'
import { createContext, useContext } from 'react'

/** The pictures of what is written here: where they come from, and how one is added. */
export type PicturesHere = { source: (id: PictureId) => string; add: (file: File) => Promise<{ id: PictureId }> }
const Here = createContext<PicturesHere | null>(null)
/** Says to what the fields below add pictures. */
export const PicturesOf = Here.Provider
/** To what this field adds pictures. */
export function usePicturesHere(): PicturesHere {
  const here = useContext(Here)
  if (!here) throw new Error('fields with pictures stand in a quiz or a bank')
  return here
}
