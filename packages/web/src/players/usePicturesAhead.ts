import type { Step } from '@jackdaw/core/guides'
import type { PictureId } from '@jackdaw/core/shared'
import { useEffect, useRef } from 'react'
import { pictureAddress, type UsedGuide } from './used'

const AHEAD = 3
/** Fetches the pictures of the next steps before they are asked for, and keeps them: a page that still has a picture shows it without
 * asking for it again, also when the network has gone meanwhile. */
export function usePicturesAhead(guide: UsedGuide, ids: readonly string[], at: string, steps: ReadonlyMap<string, Step>): void {
  const { guideId, edition } = guide
  const had = useRef(new Map<string, HTMLImageElement>())
  useEffect(() => {
    const from = ids.indexOf(at)
    for (const id of ids.slice(from + 1, from + 1 + AHEAD))
      for (const picture of steps.get(id)?.pictures ?? [])
        for (const stored of picture.sheet ? picture.sheet.pictures : [picture]) {
          const address = pictureAddress(guideId, edition, stored.id as PictureId)
          if (had.current.has(address)) continue
          const image = new Image()
          image.decoding = 'async'
          image.onerror = () => had.current.delete(address)
          image.src = address
          had.current.set(address, image)
        }
  }, [guideId, edition, ids, at, steps])
}
