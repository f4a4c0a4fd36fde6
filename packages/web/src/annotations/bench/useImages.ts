import type { Ground, Pixels } from '@jackdaw/core/annotations'
import type { Rect, StepPicture } from '@jackdaw/core/guides'
import type { PictureId } from '@jackdaw/core/shared'
import { useEffect, useMemo, useState } from 'react'
import { layersOf } from '../AnnotatedPicture'

/** A stored picture that has come, and where it lies on the whole. */
export type LaidImage = { id: PictureId; image: HTMLImageElement; rect: Rect }

/** The pictures of a place as they come in from the server. */
export function useImages(picture: StepPicture, ground: Ground, source: (id: PictureId) => string): LaidImage[] {
  const [come, setCome] = useState<ReadonlyMap<string, HTMLImageElement>>(new Map())
  const layers = useMemo(() => layersOf(picture, ground), [picture, ground])
  const addresses = layers.map(({ id }) => source(id)).join(' ')
  useEffect(() => {
    let over = false
    for (const address of new Set(addresses.split(' ').filter(Boolean))) {
      const image = new window.Image()
      image.onload = () => !over && setCome((now) => new Map(now).set(address, image))
      image.src = address
    }
    return () => {
      over = true
    }
  }, [addresses])
  return useMemo(
    () =>
      layers.flatMap(({ id, rect }) => {
        const image = come.get(source(id))
        return image ? [{ id, image, rect }] : []
      }),
    [layers, come, source],
  )
}

const MEASURED_WIDTH_PX = 640
/** The pixels of a picture, made smaller, for measuring contrast. `scale` is how many of them one pixel of the picture is. */
export function usePixels(images: readonly LaidImage[], ground: Ground): { pixels: Pixels; scale: number } | null {
  return useMemo(() => {
    if (images.length === 0) return null
    const scale = Math.min(1, MEASURED_WIDTH_PX / ground.of.widthPx)
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(ground.of.widthPx * scale))
    canvas.height = Math.max(1, Math.round(ground.of.heightPx * scale))
    const context = canvas.getContext('2d', { willReadFrequently: true })
    if (!context) return null
    context.fillStyle = '#ffffff'
    context.fillRect(0, 0, canvas.width, canvas.height)
    for (const { image, rect } of images) context.drawImage(image, rect.x * scale, rect.y * scale, rect.width * scale, rect.height * scale)
    const { data } = context.getImageData(0, 0, canvas.width, canvas.height)
    return { pixels: { widthPx: canvas.width, heightPx: canvas.height, bytes: data }, scale }
  }, [images, ground])
}
