import { useEffect, useState, type RefObject } from 'react'

/** Captions of a clip: in which language, and where they are. */
export type CaptionsOfClip = { language: string; src: string }

const KEY = 'jackdaw-captions'
/** What was chosen last holds for the next clip: a language, or `off`. */
function chosenLast(): string | null {
  try {
    return localStorage.getItem(KEY)
  } catch {
    return null // Forbidden: what the page speaks is taken.
  }
}
/** The language of the captions that are shown; `null` for none. @param wished a language, or `off`; `null` where nobody has chosen */
function languageOf(captions: readonly CaptionsOfClip[], wished: string | null, page: string): string | null {
  if (wished === 'off') return null
  const found = [wished, page].flatMap((each) => captions.find(({ language }) => each !== null && isSame(language, each)) ?? [])
  return (found[0] ?? captions[0])?.language ?? null
}
const isSame = (a: string, b: string): boolean => a.toLowerCase().split('-')[0] === b.toLowerCase().split('-')[0]

/** Which captions are shown, and what of them is said at the moment.
 * @param page the language of the page, BCP 47 */
export function useCaptions(element: RefObject<HTMLMediaElement | null>, captions: readonly CaptionsOfClip[], page: string) {
  const [wished, setWished] = useState(chosenLast)
  const language = languageOf(captions, wished, page)
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
    setWished(next ?? 'off')
    try {
      localStorage.setItem(KEY, next ?? 'off')
    } catch {
      // Forbidden: it holds for this page.
    }
  }
  return { language, choose, lines }
}
