import { describe, expect, it } from 'vitest'
import { emptyDocument, PLAIN_LOOK, richTextOf, type Annotation, type Rect, type Step, type StepPicture } from '../guides'
import { seededIds, type PictureId, type StepId } from '../shared'
import { INK } from './colour'
import { groundOf } from './groundOf'
import { drawAnnotations } from './drawing'
import { hiddenAreas, hiddenInDetail, pendingBlackouts, placeKey } from './hidden'

const ids = seededIds(17)
const [photo, sheet] = [ids() as PictureId, ids() as PictureId]
const sizes = { [photo]: { widthPx: 1_000, heightPx: 500 } }
const free = (x: number, y: number) => ({ to: 'picture' as const, at: { x, y }, gapPx: 0 })
/** The right half of the upper half. */
const blackout: Annotation = {
  id: 'blackout-one',
  kind: 'blackout',
  area: { to: 'picture', rect: { x: 0.5, y: 0, width: 0.5, height: 0.5 } },
}
const inset: Annotation = {
  id: 'inset-one',
  kind: 'inset',
  at: free(0.25, 0.75),
  detail: { to: 'picture', rect: { x: 0.25, y: 0, width: 0.5, height: 0.5 } },
  zoom: 1,
} as never
const step = (pictures: StepPicture[]): Step => ({ kind: 'step', id: ids() as StepId, body: richTextOf('Look'), pictures })
const setting = { look: PLAIN_LOOK, way: 'read' as const, shownPx: 760 }

describe('what a blackout hides before it is applied', () => {
  const blacked = step([{ id: photo, alt: '', annotations: [blackout] }])
  const again = step([{ id: photo, alt: '' }])
  const laid = step([
    {
      id: sheet,
      alt: '',
      sheet: { widthPx: 800, heightPx: 800, pictures: [{ id: photo, rect: { x: 100, y: 200, width: 500, height: 250 } }] },
    },
  ])
  const pending = pendingBlackouts({ ...emptyDocument('x', 'how-to'), items: [blacked, again, laid] }, sizes)
  it('is hidden wherever the picture is shown, also smaller on a sheet', () => {
    expect(hiddenAreas(again.pictures[0]!, pending, sizes)).toEqual([{ x: 500, y: 0, width: 500, height: 250 }])
    expect(hiddenAreas(laid.pictures[0]!, pending, sizes)).toEqual([{ x: 350, y: 200, width: 250, height: 125 }])
    expect(hiddenAreas(blacked.pictures[0]!, pending, sizes, placeKey(blacked, blacked.pictures[0]!))).toEqual([])
  })
  it('is hidden on the sheet’s own picture when it is drawn on the sheet', () => {
    const over = {
      ...laid.pictures[0]!,
      annotations: [{ ...blackout, area: { to: 'picture', rect: { x: 0, y: 0.25, width: 0.25, height: 0.25 } } } as never],
    }
    const found = pendingBlackouts({ ...emptyDocument('x', 'how-to'), items: [{ ...laid, pictures: [over] }] }, sizes)
    expect(hiddenAreas(again.pictures[0]!, found, sizes)).toEqual([{ x: 0, y: 0, width: 200, height: 400 }])
  })
  it('is covered in an inset that shows the same part', () => {
    const picture = { id: photo, alt: '', annotations: [inset, blackout] }
    const ground = groundOf(step([picture]), picture, sizes[photo])!
    const [drawn] = drawAnnotations(picture.annotations, ground, setting).drawn
    const at = drawn!.shapes.findIndex((shape) => shape.is === 'detail')
    const detail = drawn!.shapes[at] as { from: Rect; to: Rect }
    const [cover] = hiddenInDetail([{ x: 500, y: 0, width: 500, height: 250 }], detail.from, detail.to)
    expect(detail.from).toEqual({ x: 250, y: 0, width: 500, height: 250 })
    expect(drawn!.shapes[at + 1]).toMatchObject({ is: 'path', fill: INK })
    expect((drawn!.shapes[at + 1] as { d: string }).d).toContain(`M${cover!.x.toFixed(1)} ${cover!.y.toFixed(1)}`)
    const without = drawAnnotations([inset], ground, setting).drawn[0]!
    expect(without.shapes[at + 1]).not.toHaveProperty('fill')
    expect(drawAnnotations([inset], ground, setting, null, [{ x: 500, y: 0, width: 500, height: 250 }]).covers).not.toEqual([])
  })
})
