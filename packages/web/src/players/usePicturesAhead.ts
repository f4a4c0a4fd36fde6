import type { Step } from '@jackdaw/core/guides'
import type { PictureId } from '@jackdaw/core/shared'
import { useEffect } from 'react'
import { pictureAddress, type UsedGuide } from './used'

const AHEAD = 3
/** Fetches the pictures of the next steps before they are asked for. */
export function usePicturesAhead(guide: UsedGuide, ids: readonly string[], at: string, steps: ReadonlyMap<string, Step>): void {
  const { guideId, edition } = guide
  useEffect(() => {
    const from = ids.indexOf(at)
    for (const id of ids.slice(from + 1, from + 1 + AHEAD))
      for (const picture of steps.get(id)?.pictures ?? [])
        for (const stored of picture.sheet ? picture.sheet.pictures : [picture]) {
          const image = new Image()
          image.decoding = 'async'
          image.src = pictureAddress(guideId, edition, stored.id as PictureId)
        }
  }, [guideId, edition, ids, at, steps])
}
