import { useEffect, useState, type RefObject } from 'react'

/** How sound or video that is played stands. `at`, `length`: seconds; `length` is 0 as long as nobody knows it. */
export type ClipState = { playing: boolean; at: number; length: number; failed: boolean }

const NAMES = ['play', 'pause', 'ended', 'timeupdate', 'seeked', 'loadedmetadata', 'durationchange', 'error', 'emptied'] as const

/** Follows a media element. One plays at a time: whatever else plays on the page stops.
 * @param durationMs for files that do not say how long they are */
export function useClip(element: RefObject<HTMLMediaElement | null>, durationMs: number | null): ClipState {
  const [state, setState] = useState<ClipState>({ playing: false, at: 0, length: (durationMs ?? 0) / 1_000, failed: false })
  useEffect(() => {
    const media = element.current
    if (!media) return
    const look = () => {
      const length = Number.isFinite(media.duration) && media.duration > 0 ? media.duration : (durationMs ?? 0) / 1_000
      setState({ playing: !media.paused && !media.ended, at: media.currentTime, length, failed: media.error !== null })
    }
    const alone = () => {
      for (const other of document.querySelectorAll<HTMLMediaElement>('audio, video')) if (other !== media) other.pause()
    }
    for (const name of NAMES) media.addEventListener(name, look)
    media.addEventListener('play', alone)
    look()
    return () => {
      for (const name of NAMES) media.removeEventListener(name, look)
      media.removeEventListener('play', alone)
    }
  }, [element, durationMs])
  return state
}
