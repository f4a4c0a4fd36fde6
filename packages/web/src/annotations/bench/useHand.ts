import { handleMoved, movedBy, slipPlaced, snapBox, snapPoint, type Guideline, type Handle, type Point } from '@jackdaw/core/annotations'
import type { Annotation, Rect, Sheet } from '@jackdaw/core/guides'
import type Konva from 'konva'
import { useRef, useState } from 'react'
import type { StageProps } from './stageProps'
import type { Tool } from './tools'

/** What the hand is doing. */
type Drag =
  | { is: 'move'; annotation: Annotation; from: Point; slip: Rect | undefined; box: Rect; others: Rect[] }
  | { is: 'handle'; annotation: Annotation; handle: Handle['name'] }
  | { is: 'draw'; tool: Tool; from: Point }
  | { is: 'laid'; index: number; from: Point; rect: Rect; resize: boolean }

const SNAP_PX = 7

/** A picture on a sheet after the hand has moved it, or pulled its corner; its proportions stay. */
function laidMoved(sheet: Sheet, { index, from, rect, resize }: Extract<Drag, { is: 'laid' }>, to: Point): Sheet {
  const by = { x: to.x - from.x, y: to.y - from.y }
  const width = Math.max(20, rect.width + by.x)
  const next = resize
    ? { ...rect, width, height: (width * rect.height) / rect.width }
    : { ...rect, x: Math.round(rect.x + by.x), y: Math.round(rect.y + by.y) }
  return { ...sheet, pictures: sheet.pictures.map((each, n) => (n === index ? { ...each, rect: next } : each)) }
}

/** Follows the hand over the picture: what it has taken hold of, how that looks meanwhile, and what comes of it when it lets go.
 * @param scale CSS pixels for one pixel of the picture */
export function useHand(props: StageProps, scale: number) {
  const { ground, sheet, tool, way, annotations, selected } = props
  const { shown } = ground
  const stage = useRef<Konva.Stage>(null)
  const drag = useRef<Drag | null>(null)
  const [live, setLive] = useState<Annotation | null>(null)
  const [laid, setLaid] = useState<Sheet | null>(null)
  const [band, setBand] = useState<{ tool: Tool; from: Point; to: Point } | null>(null)
  const [lines, setLines] = useState<Guideline[]>([])
  const shownNow = live ? annotations.map((each) => (each.id === live.id ? live : each)) : annotations
  const drawing = props.draw(shownNow)
  const chosen = shownNow.find((each) => each.id === selected)
  const near = SNAP_PX / scale
  const place = (): Point => {
    const at = stage.current?.getPointerPosition() ?? { x: 0, y: 0 }
    return { x: at.x / scale + shown.x, y: at.y / scale + shown.y }
  }
  const boxOf = (id: string) => drawing.drawn.find((each) => each.id === id)
  const begin = (next: Drag) => {
    drag.current = next
  }
  const moved = ({ annotation, from, slip, box, others }: Extract<Drag, { is: 'move' }>, to: Point): Annotation => {
    const by = { x: to.x - from.x, y: to.y - from.y }
    const snapped = snapBox({ ...box, x: box.x + by.x, y: box.y + by.y }, ground, others, near)
    setLines(snapped.lines)
    if (annotation.kind === 'label' && slip) return slipPlaced(annotation, { ...slip, x: snapped.x, y: snapped.y }, ground, way)
    return movedBy(annotation, { x: snapped.x - box.x, y: snapped.y - box.y }, ground, slip, way)
  }
  const onMove = () => {
    const now = drag.current
    if (!now) return
    const to = place()
    if (now.is === 'move') setLive(moved(now, to))
    else if (now.is === 'handle') {
      const snapped = now.handle === 'bend' ? { ...to, lines: [] } : snapPoint(to, ground, near)
      setLines(snapped.lines)
      setLive(handleMoved(now.annotation, now.handle, snapped, ground))
    } else if (now.is === 'draw') setBand({ tool: now.tool, from: now.from, to })
    else if (sheet) setLaid(laidMoved(sheet, now, to))
  }
  const onUp = () => {
    const now = drag.current
    drag.current = null
    setLines([])
    setBand(null)
    if (now?.is === 'draw') props.onDrawn(now.tool, { from: now.from, to: place() })
    if (live) props.onPut(live)
    if (laid) props.onSheet(laid)
    setLive(null)
    setLaid(null)
  }
  const take = (id: string) => {
    if (tool) return
    props.onSelect(id)
    const drawn = boxOf(id)
    const annotation = annotations.find((each) => each.id === id)
    if (!drawn || !annotation) return
    const others = drawing.drawn.filter((each) => each.id !== id && each.slip).map((each) => each.slip!)
    begin({ is: 'move', annotation, from: place(), slip: drawn.slip, box: drawn.slip ?? drawn.box, others })
  }
  return { stage, drawing, laid, band, lines, chosen, boxOf, begin, place, onMove, onUp, take, isBusy: () => drag.current !== null }
}
