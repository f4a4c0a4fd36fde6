import type { WayOfUse } from '@jackdaw/core/ways'
import { areaBetween, cut, movedBy, newAnnotation, unitOf, type Drawing, type DrawnBy, type Ground } from '@jackdaw/core/annotations'
import { setElement } from '@jackdaw/core/editing'
import type { Annotation, Change, Rect, Step, StepPicture } from '@jackdaw/core/guides'
import { nanoid } from 'nanoid'
import type { KeyboardEvent } from 'react'
import type { Tool } from './tools'

const ARROWS: Record<string, readonly [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
const LEAST_DRAWN_PX = 5

const rounded = ({ x, y, width, height }: Rect): Rect => ({
  x: Math.round(x),
  y: Math.round(y),
  width: Math.max(1, Math.round(width)),
  height: Math.max(1, Math.round(height)),
})

/** A blackout over a part of the picture, whatever stands there. */
export function blackoutOver(rect: Rect, ground: Ground): Annotation {
  const drawn = { from: { x: rect.x, y: rect.y }, to: { x: rect.x + rect.width, y: rect.y + rect.height } }
  return newAnnotation('blackout', nanoid(), { ...ground, element: undefined, onto: undefined }, drawn)
}

type Work = {
  step: Step
  picture: StepPicture
  ground: Ground
  annotations: readonly Annotation[]
  drawing: Drawing
  way: WayOfUse['labels']
  change: (...changes: Change[]) => void
  onClose: () => void
  selected: string | null
  setSelected: (id: string | null) => void
  setFresh: (id: string | null) => void
  tool: Tool | null
  setTool: (tool: Tool | null) => void
}

/** What an author does to the annotations of a picture, by hand and by keys, as changes to the guide. */
export function useBenchWork({
  step,
  picture,
  ground,
  annotations,
  drawing,
  way,
  change,
  onClose,
  selected,
  setSelected,
  setFresh,
  tool,
  setTool,
}: Work) {
  const where = { stepId: step.id, pictureId: picture.id }
  const put = (annotation: Annotation) => change({ type: 'put-annotation', ...where, annotation, after: annotations.at(-1)?.id ?? null })
  const remove = (id: string) => {
    const at = annotations.findIndex((each) => each.id === id)
    change({ type: 'remove-annotation', ...where, annotationId: id })
    setSelected(annotations[at + 1]?.id ?? annotations[at - 1]?.id ?? null)
  }
  /** Puts copies of annotations on the picture, in one go. */
  const addAll = (all: readonly Annotation[]) => {
    let after = annotations.at(-1)?.id ?? null
    change(
      ...all.map((annotation): Change => {
        const id = nanoid()
        const next: Change = { type: 'put-annotation', ...where, annotation: { ...annotation, id }, after }
        after = id
        return next
      }),
    )
  }
  const add = (kind: Exclude<Tool, 'element' | 'crop'>, drawn: DrawnBy | null) => {
    const numbers = annotations.flatMap((each) => (each.kind === 'tag' ? [each.number] : []))
    const annotation = newAnnotation(kind, nanoid(), ground, drawn, Math.max(0, ...numbers) + 1)
    put(annotation)
    setSelected(annotation.id)
    setFresh(annotation.id)
  }
  const drawnByHand = (taken: Tool, drawn: DrawnBy) => {
    setTool(null)
    const band = cut(areaBetween(drawn.from, drawn.to), ground.shown)
    const small = Math.max(band.width, band.height) < LEAST_DRAWN_PX * unitOf(ground)
    if (taken === 'element') {
      if (!small) change(...setElement(step, { pictureId: picture.id, rect: rounded(band), of: ground.of }))
    } else if (taken === 'crop') {
      if (!small) change({ type: 'set-shown', ...where, shown: rounded(band) })
    } else add(taken, small && taken !== 'label' && taken !== 'tag' && taken !== 'text' ? null : drawn)
  }
  /** By key there is no hand to draw with: it is put on the element, or in the middle. */
  const atOnce = (taken: Tool) => {
    const { shown } = ground
    const middle: Rect = { x: shown.x + shown.width / 3, y: shown.y + shown.height / 3, width: shown.width / 3, height: shown.height / 3 }
    if (taken === 'element') change(...setElement(step, { pictureId: picture.id, rect: rounded(ground.element ?? middle), of: ground.of }))
    else if (taken === 'crop')
      change({
        type: 'set-shown',
        ...where,
        shown: rounded(
          cut(
            { x: shown.x + shown.width / 8, y: shown.y + shown.height / 8, width: shown.width * 0.75, height: shown.height * 0.75 },
            shown,
          ),
        ),
      })
    else add(taken, null)
  }
  const key = (event: KeyboardEvent) => {
    const direction = ARROWS[event.key]
    const chosen = annotations.find((each) => each.id === selected)
    if (event.key === 'Escape') {
      event.stopPropagation()
      if (tool) setTool(null)
      else if (selected) setSelected(null)
      else onClose()
    }
    if (!chosen) return
    if (direction && !event.altKey && !event.ctrlKey) {
      event.preventDefault()
      const by = (event.shiftKey ? 10 : 1) * unitOf(ground)
      const slip = drawing.drawn.find((each) => each.id === chosen.id)?.slip
      put(movedBy(chosen, { x: direction[0] * by, y: direction[1] * by }, ground, slip, way))
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault()
      remove(chosen.id)
    }
  }
  return { put, remove, addAll, drawnByHand, atOnce, key }
}
