import type { NewClip } from '@jackdaw/core/clips'
import type { CaptionsId, ClipId, PictureId } from '@jackdaw/core/shared'
import { createContext, useContext } from 'react'
import type { FileSource } from '../../quizzes/ContentView'

/** The files of what is written here: where they come from, and how one is added. */
export type FilesHere = {
  source: FileSource
  add: (file: File) => Promise<{ id: PictureId }>
  /** Begins a clip, whose bytes are sent then. */
  beginClip: (clip: NewClip) => Promise<{ id: ClipId }>
  addCaptions: (id: ClipId, captions: { language: string; text: string }) => Promise<{ id: CaptionsId }>
}
const Here = createContext<FilesHere | null>(null)
/** Says to what the fields below add files. */
export const FilesOf = Here.Provider
/** To what this field adds files. */
export function useFilesHere(): FilesHere {
  const here = useContext(Here)
  if (!here) throw new Error('fields with files stand in a quiz or a bank')
  return here
}
