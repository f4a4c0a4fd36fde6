import type { ClipKind } from '@jackdaw/core/clips'
import { useEffect, useRef, useState } from 'react'
import type { FileClip } from './fileClip'
import { putInOrder } from './putInOrder'

/** Why nothing can be recorded: the page is not at a safe address; it is not allowed; there is no microphone or camera; or it is in use. */
export type CannotRecord = 'not-safe' | 'not-allowed' | 'nothing-there' | 'in-use'
/** How a recording stands. `stream`: what camera and microphone give; `ms`: how long it is so far. */
export type RecorderState =
  | { at: 'closed' }
  | { at: 'asking'; kind: ClipKind }
  | { at: 'open'; kind: ClipKind; stream: MediaStream }
  | { at: 'recording'; kind: ClipKind; stream: MediaStream; ms: number }
  | { at: 'ending'; kind: ClipKind }
  | { at: 'failed'; why: CannotRecord }

/** What recorders are asked to write, the best known first. */
const TYPES: Record<ClipKind, readonly string[]> = {
  video: ['video/mp4;codecs=avc1.42E01E,mp4a.40.2', 'video/webm;codecs=vp9,opus', 'video/webm;codecs=vp8,opus', 'video/webm', 'video/mp4'],
  sound: ['audio/mp4;codecs=mp4a.40.2', 'audio/webm;codecs=opus', 'audio/webm', 'audio/mp4'],
}
const BITS_PER_SECOND = { videoBitsPerSecond: 1_500_000, audioBitsPerSecond: 96_000 }
const CAMERA = { width: { ideal: 1280 }, height: { ideal: 720 } }

function whyNot(error: unknown): CannotRecord {
  const name = error instanceof DOMException ? error.name : ''
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'not-allowed'
  return name === 'NotReadableError' || name === 'AbortError' ? 'in-use' : 'nothing-there'
}

/** Fetches what is needed once something is recorded: the network may be gone by then. */
function fetchAhead(): void {
  // Where it fails it is asked for again when it is needed, and told there.
  void Promise.all([import('mediabunny'), import('tus-js-client')]).catch(() => undefined)
}

/** Records by camera and microphone, or by the microphone alone. Nothing leaves the browser here.
 * @param mostMs when it stops by itself
 * @param onRecorded is given what was recorded */
export function useRecorder(mostMs: number, onRecorded: (clip: FileClip) => void) {
  const [state, setState] = useState<RecorderState>({ at: 'closed' })
  const held = useRef<{ stream: MediaStream; recorder?: MediaRecorder; timer?: ReturnType<typeof setInterval> } | null>(null)
  const done = useRef(onRecorded)
  done.current = onRecorded

  const release = () => {
    clearInterval(held.current?.timer)
    for (const track of held.current?.stream.getTracks() ?? []) track.stop()
    held.current = null
  }
  const close = () => {
    const recorder = held.current?.recorder
    if (recorder) recorder.onstop = null
    release()
    setState({ at: 'closed' })
  }
  // Whoever leaves the page is not listened to any more, also where the browser has still been asking.
  const gone = useRef(false)
  useEffect(() => {
    gone.current = false
    return () => {
      gone.current = true
      if (held.current?.recorder) held.current.recorder.onstop = null
      release()
    }
  }, [])

  /** Opens camera and microphone; sound begins at once. @param facing which of the cameras of a telephone */
  const open = async (kind: ClipKind, facing: 'user' | 'environment' = 'user') => {
    release()
    if (!('mediaDevices' in navigator) || !('MediaRecorder' in window)) return setState({ at: 'failed', why: 'not-safe' })
    fetchAhead()
    setState({ at: 'asking', kind })
    try {
      const video = kind === 'video' && { ...CAMERA, facingMode: facing }
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true, video })
      held.current = { stream }
      if (gone.current) return release()
      if (kind === 'sound') start(kind)
      else setState({ at: 'open', kind, stream })
    } catch (error) {
      setState({ at: 'failed', why: whyNot(error) })
    }
  }
  const start = (kind: ClipKind) => {
    const here = held.current
    if (!here) return
    const mimeType = TYPES[kind].find((each) => MediaRecorder.isTypeSupported(each))
    const recorder = new MediaRecorder(here.stream, { ...(mimeType ? { mimeType } : {}), ...BITS_PER_SECOND })
    const pieces: Blob[] = []
    // What plays would be heard in it.
    for (const other of document.querySelectorAll<HTMLMediaElement>('audio, video')) if (!other.srcObject) other.pause()
    const startedAt = performance.now()
    const ms = () => Math.min(mostMs, performance.now() - startedAt)
    recorder.ondataavailable = ({ data }) => void pieces.push(data)
    recorder.onstop = () => {
      const durationMs = Math.round(ms())
      release()
      setState({ at: 'ending', kind })
      void putInOrder(new Blob(pieces, { type: (recorder.mimeType || mimeType) ?? '' })).then((file) => {
        setState({ at: 'closed' })
        done.current({ file, kind, durationMs })
      })
    }
    recorder.onerror = () => {
      recorder.onstop = null
      release()
      setState({ at: 'failed', why: 'in-use' })
    }
    here.recorder = recorder
    here.timer = setInterval(() => {
      if (ms() >= mostMs) recorder.stop()
      else setState({ at: 'recording', kind, stream: here.stream, ms: ms() })
    }, 200)
    recorder.start(1_000)
    setState({ at: 'recording', kind, stream: here.stream, ms: 0 })
  }
  const stop = () => {
    if (held.current?.recorder?.state === 'recording') held.current.recorder.stop()
  }
  return { state, open, start, stop, close }
}
