import { storedPicturesOf, type Step } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import { useEffect, useRef } from 'react'
import { usePictureAddress } from '../readBy'

/** How many pictures a device keeps ahead: as many as it can, fewer where memory is small or the person saves data. */
function mostKept(): number {
  const { connection, deviceMemory = 4 } = navigator as Navigator & { connection?: { saveData?: boolean }; deviceMemory?: number }
  if (connection?.saveData) return 4
  return deviceMemory <= 2 ? 40 : 150
}
const AT_ONCE = 2
const RETRY_MS = 5_000

/** Fetches the pictures of the steps that follow, the next ones first, and keeps them: a page that still has a picture shows it without
 * asking for it again, also when the network has gone meanwhile. What fails is asked for again when there is one. */
export function usePicturesAhead(
  { guideId, edition }: { guideId: GuideId; edition: number | null },
  ids: readonly string[],
  at: string,
  steps: ReadonlyMap<string, Step>,
  size: 'screen' | 'full' = 'full',
): void {
  const addressFor = usePictureAddress()
  const had = useRef(new Map<string, HTMLImageElement>())
  useEffect(() => {
    const from = Math.max(0, ids.indexOf(at))
    const wanted = [...ids.slice(from), ...ids.slice(0, from)]
      .flatMap((id) => steps.get(id)?.pictures.flatMap(storedPicturesOf) ?? [])
      .map((id) => addressFor(guideId, edition, id, size))
      .slice(0, mostKept())
      .filter((address) => !had.current.has(address))
    let stopped = false
    let running = 0
    let again: ReturnType<typeof setTimeout> | undefined
    const next = (): void => {
      while (!stopped && running < AT_ONCE && wanted.length > 0) {
        const address = wanted.shift()!
        const image = new Image()
        image.decoding = 'async'
        const over = (kept: boolean) => {
          running--
          if (kept) return next()
          had.current.delete(address)
          wanted.push(address)
          clearTimeout(again)
          again = setTimeout(next, RETRY_MS)
        }
        image.onload = () => over(true)
        image.onerror = () => over(false)
        running++
        had.current.set(address, image)
        image.src = address
      }
    }
    next()
    window.addEventListener('online', next)
    return () => {
      stopped = true
      clearTimeout(again)
      window.removeEventListener('online', next)
    }
  }, [guideId, edition, ids, at, steps, size])
}
