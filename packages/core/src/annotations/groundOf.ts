import { elementOf, type Step, type StepPicture } from '../guides'
import type { Ground } from './attach'

type SizePx = { widthPx: number; heightPx: number }

/** What the annotations on a step's picture are attached to.
 * @param size of the stored picture as far as it is known; a sheet knows its own, and an element that of its picture
 * @returns `undefined` as long as nobody knows how large the picture is */
export function groundOf(step: Step, picture: StepPicture, size: SizePx | undefined): Ground | undefined {
  const elements = { element: elementOf(step), onto: step.action?.onto }
  const here = (['element', 'onto'] as const).filter((to) => elements[to]?.pictureId === picture.id)
  const of = picture.sheet ?? size ?? (here[0] && elements[here[0]]?.of)
  if (!of) return undefined
  const { widthPx, heightPx } = of
  // An element measured in a picture of another size stands at the same share of this one.
  const scaled = (to: 'element' | 'onto') => {
    const element = elements[to]
    if (element?.pictureId !== picture.id) return undefined
    const [x, y] = [widthPx / element.of.widthPx, heightPx / element.of.heightPx]
    const { rect } = element
    return { x: rect.x * x, y: rect.y * y, width: rect.width * x, height: rect.height * y }
  }
  return {
    of: { widthPx, heightPx },
    shown: picture.shown ?? { x: 0, y: 0, width: widthPx, height: heightPx },
    element: scaled('element'),
    onto: scaled('onto'),
  }
}
