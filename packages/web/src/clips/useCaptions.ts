import { useEffect, useState, type RefObject } from 'react'

/** Captions of a clip: in which language, and where they are. */
export type CaptionsOfClip = { language: string; src: string }

const KEY = 'jackdaw-captions'
/** The language in which somebody reads captions; `off` where they do not want any. What was chosen last holds for the next clip. */
function firstLanguage(captions: readonly CaptionsOfClip[], page: string): string | null {
  let wished: string | null = null
  try {
    wished = localStorage.getItem(KEY)
  } catch {
    // Forbidden: what the page speaks is taken.
  }
  if (wished === 'off') return null
  const found = [wished, page].flatMap((each) => captions.find(({ language }) => each !== null && isSame(language, each)) ?? [])
  return (found[0] ?? captions[0])?.language ?? null
}
const isSame = (a: string, b: string): boolean => a.toLowerCase().split('-')[0] === b.toLowerCase().split('-')[0]

/** Which captions are shown, and what of them is said at the moment.
 * @param page the language of the page, BCP 47 */
export function useCaptions(element: RefObject<HTMLMediaElement | null>, captions: readonly CaptionsOfClip[], page: string) {
  const [language, setLanguage] = useState(() => firstLanguage(captions, page))
  const [lines, setLines] = useState<readonly string[]>([])
  useEffect(() => {
    setLines([])
    const tracks = [...(element.current?.textTracks ?? [])]
    for (const track of tracks) track.mode = 'disabled'
    const track = tracks.find((each) => each.language === language)
    if (!track) return
    // Read by the browser, and shown by us: in the same look over video and under sound.
    track.mode = 'hidden'
    const look = () => setLines([...(track.activeCues ?? [])].map((cue) => (cue as VTTCue).getCueAsHTML().textContent ?? ''))
    track.addEventListener('cuechange', look)
    return () => track.removeEventListener('cuechange', look)
  }, [element, language, captions])
  const choose = (next: string | null) => {
    setLanguage(next)
    try {
      localStorage.setItem(KEY, next ?? 'off')
    } catch {
      // Forbidden: it holds for this page.
    }
  }
  return { language, choose, lines }
}
