import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import type * as z from 'zod/mini'
import { Unreachable } from '../api'
import { useWarnUnsaved } from './useWarnUnsaved'

/** So long after the last change it is saved, and so long after the server could not be reached it is tried again. */
const REST_MS = 900
const AGAIN_MS = 4_000
const MOST_BACK = 100

type Saved<D> = { revision: number; document: D }
/** A document that is written in a browser: each change can be taken back, and is saved by itself a moment later. What breaks a rule of the document
 * waits until that is put right. `keep` saves at once. @param first as it came from the server @param send saves it */
export function useSavedAsYouGo<D extends object>(
  first: Saved<D>,
  schema: z.ZodMiniType<D>,
  send: (state: Saved<D>) => Promise<{ revision: number }>,
) {
  const [document, setDocument] = useState(first.document)
  const [back, setBack] = useState<readonly D[]>([])
  const [saved, setSaved] = useState(first)
  const [error, setError] = useState<unknown>(null)
  const [saving, setSaving] = useState(false)
  const unsaved = document !== saved.document
  useWarnUnsaved(unsaved)
  const now = useRef({ document, saved, send })
  now.current = { document, saved, send }
  const running = useRef<Promise<number | null> | null>(null)
  // A large document is looked through once what was typed is shown; it is looked through again before it is sent.
  const shown = useDeferredValue(document)
  const issue = useMemo(() => schema.safeParse(shown).error?.issues[0], [schema, shown])
  const fault = issue?.message ?? null

  const change = (next: D) => {
    if (next === document) return
    setBack((states) => [...states.slice(-MOST_BACK), document])
    setDocument(next)
  }
  const undo = (): boolean => {
    const last = back.at(-1)
    if (!last) return false
    setBack(back.slice(0, -1))
    setDocument(last)
    return true
  }
  /** Saves what is written where it is not saved. @returns its revision; `null` when something in it is wrong */
  const keep = async (): Promise<number | null> => {
    await running.current?.catch(() => undefined /* It stands on the page. */)
    const { document: written, saved: before, send: by } = now.current
    if (!schema.safeParse(written).success) return null
    if (written === before.document) return before.revision
    const save = async () => {
      setSaving(true)
      try {
        const { revision } = await by({ revision: before.revision, document: written })
        now.current.saved = { revision, document: written }
        setSaved(now.current.saved)
        setError(null)
        return revision
      } catch (cause) {
        setError(cause)
        throw cause
      } finally {
        setSaving(false)
        running.current = null
      }
    }
    running.current = save()
    return running.current
  }
  const keepNow = useRef(keep)
  keepNow.current = keep
  useEffect(() => {
    if (!unsaved || fault !== null) return
    const save = () => void keepNow.current().catch(() => undefined /* It stands on the page. */)
    const timer = setTimeout(save, REST_MS)
    // What another one has changed meanwhile is not written over by trying again; what did not come to the server at all is sent once more.
    const again = error instanceof Unreachable ? setInterval(save, AGAIN_MS) : undefined
    return () => {
      clearTimeout(timer)
      clearInterval(again)
    }
  }, [document, unsaved, fault, error])
  // Whoever goes to another page at once has written the last words for good.
  useEffect(() => () => void keepNow.current().catch(() => undefined /* The page is gone. */), [])
  return { document, change, undo, canUndo: back.length > 0, unsaved, saving, fault, error, keep, revision: saved.revision }
}
