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

/** Annotations put on a picture and taken off it. */
function annotationChanges({ step, picture, ground, annotations, change, setSelected, setFresh }: Work) {
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
  const setOwnElement = (rect: Rect) => change(...setElement(step, { pictureId: picture.id, rect: rounded(rect), of: ground.of }))
  const setShown = (shown: Rect) => change({ type: 'set-shown', ...where, shown: rounded(shown) })
  return { put, remove, addAll, add, setOwnElement, setShown }
}
type AnnotationChanges = ReturnType<typeof annotationChanges>

const partOf = (shown: Rect, share: number): Rect => ({
  x: shown.x + (shown.width * (1 - share)) / 2,
  y: shown.y + (shown.height * (1 - share)) / 2,
  width: shown.width * share,
  height: shown.height * share,
})

/** What a tool does, drawn by hand, or by key where there is no hand to draw with. */
function toolWork({ ground, setTool }: Work, { add, setOwnElement, setShown }: AnnotationChanges) {
  const drawnByHand = (taken: Tool, drawn: DrawnBy) => {
    setTool(null)
    const band = cut(areaBetween(drawn.from, drawn.to), ground.shown)
    const small = Math.max(band.width, band.height) < LEAST_DRAWN_PX * unitOf(ground)
    if (taken === 'element') {
      if (!small) setOwnElement(band)
    } else if (taken === 'crop') {
      if (!small) setShown(band)
    } else add(taken, small && taken !== 'label' && taken !== 'tag' && taken !== 'text' ? null : drawn)
  }
  /** It is put on the element, or in the middle. */
  const atOnce = (taken: Tool) => {
    if (taken === 'element') setOwnElement(ground.element ?? partOf(ground.shown, 1 / 3))
    else if (taken === 'crop') setShown(cut(partOf(ground.shown, 0.75), ground.shown))
    else add(taken, null)
  }
  return { drawnByHand, atOnce }
}

/** What keys do to what is selected. */
const keyWork =
  (
    { ground, annotations, drawing, way, onClose, selected, setSelected, tool, setTool }: Work,
    { put, remove }: Pick<AnnotationChanges, 'put' | 'remove'>,
  ) =>
  (event: KeyboardEvent): void => {
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

/** What an author does to the annotations of a picture, by hand and by keys, as changes to the guide. */
export function useBenchWork(work: Work) {
  const changes = annotationChanges(work)
  const { put, remove, addAll } = changes
  return { put, remove, addAll, ...toolWork(work, changes), key: keyWork(work, changes) }
}
