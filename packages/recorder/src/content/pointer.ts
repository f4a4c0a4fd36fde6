import type { ElementSeen } from '@jackdaw/core/recording'
import { isSlider, isTicked, ticksByPress, valueOfSlider } from './ariaStates'
import { putNow, takenAt, underPointer, type Taken } from './drags'
import { innermost, meant } from './hit'
import type { Hub } from './hub'
import type { Asked } from './pictures'
import { isField } from './typing'

const MOVED_PX = 10
/** A pointer that was moved so far has dragged something, also when the browser makes a click of it. */
const DRAGGED_PX = 40
const CLICK_FOLLOWS_MS = 60
/** A page shows where something was put a moment after it was let go. */
const PUT_SHOWS_MS = 180
const KEY_CLICKS_WITHIN_MS = 1_000

/** What the pointer went down on, and what has come of it. */
export type Pressed = {
  asked: Asked
  target: Element
  element: ElementSeen
  x: number
  y: number
  at: number
  button: number
  used: boolean
  dragged: boolean
  /** Of what a page has made itself: whether it was ticked, and its value. */
  was: { ticked: boolean; value: string }
  taken: Taken | null
}
export type Pointer = { pressed: () => Pressed | null }

/** Clicks, double and right clicks, and drags of both kinds: the browser's own, and those that a page makes from pointer movements.
 * @param before  what is to be told before a press: typing that it ends, a scroll
 * @param lastKey the last key that went down, by which a click made by the keyboard is known */
export function watchPointer(hub: Hub, before: (target: Element) => void, lastKey: () => { key: string; at: number }): Pointer {
  let pressed: Pressed | null = null
  hub.listen('pointerdown', (event) => {
    if (!event.isPrimary) return
    const from = performance.now()
    const inner = innermost(event)
    if (!inner) return
    const target = meant(inner)
    const asked = hub.press(target, true)
    const element = hub.seen(target)
    before(target)
    const { clientX: x, clientY: y, button } = event
    const was = { ticked: isTicked(target), value: valueOfSlider(target) }
    pressed = { asked, target, element, x, y, at: hub.clock(), button, used: false, dragged: false, was, taken: null }
    hub.measured(performance.now() - from)
    hub.holdIfNeeded()
  })
  hub.listen('click', (event) => {
    if (event.detail === 0) return clickedByKey(hub, event, before, lastKey())
    if (!pressed || pressed.used || pressed.dragged) return
    if (isFar(pressed, event) && slides(pressed.target)) return
    if (isFar(pressed, event, DRAGGED_PX)) return
    pressed.used = true
    clicked(hub, pressed)
  })
  hub.listen('pointermove', (event) => {
    if (event.isPrimary && event.buttons === 1 && pressed && !pressed.taken && !pressed.used && isFar(pressed, event))
      pressed.taken = takenAt(hub, pressed.target, pressed.element)
  })
  hub.listen('pointerup', (event) => event.isPrimary && pressed && released(hub, pressed, event))
  hub.listen('dblclick', (event) => {
    const inner = innermost(event)
    if (inner) hub.emit('double-click', pressed?.asked ?? null, { element: pressed?.element ?? hub.seen(meant(inner)) })
  })
  hub.listen('contextmenu', (event) => {
    const inner = innermost(event)
    if (!inner) return
    if (event.button === 2 && pressed && !pressed.used) hub.emit('right-click', pressed.asked, { element: pressed.element })
    else hub.emit('right-click', hub.press(meant(inner), false), { element: hub.seen(meant(inner)), byKeyboard: true })
    if (pressed) pressed.used = true
  })
  hub.listen('dragstart', () => {
    if (!pressed) return
    pressed.dragged = true
    pressed.taken ??= takenAt(hub, pressed.target, pressed.element)
  })
  hub.listen('drop', (event) => {
    if (!pressed?.dragged || pressed.used || !pressed.taken) return
    pressed.used = true
    tellPut(hub, pressed, pressed.taken, innermost(event))
  })
  return { pressed: () => pressed }
}

const isFar = (press: Pressed, event: MouseEvent, px = MOVED_PX): boolean =>
  Math.hypot(event.clientX - press.x, event.clientY - press.y) > px
/** What is moved by the pointer has a new value then, and was not pressed. */
const slides = (element: Element): boolean => isSlider(element) || (element instanceof HTMLInputElement && element.type === 'range')

/** A press without a move: of a switch it is told what it is now. */
function clicked(hub: Hub, { asked, target, element, at, was, x, y }: Pressed, vanished = false): void {
  if (ticksByPress(target)) return hub.emit('tick', asked, { element, ticked: !was.ticked }, at)
  const point = target.tagName === 'CANVAS' ? { point: pointIn(hub, x, y) } : {}
  hub.emit('click', asked, { element, ...point, ...(vanished ? { vanished } : {}) }, at)
}
function pointIn(hub: Hub, x: number, y: number): { x: number; y: number } {
  const { x: left, y: top } = hub.eyes.toWindow({ x, y, width: 0, height: 0 })
  return { x: left, y: top }
}

/** Tells where something was put, once the page shows it, at the latest when the page is left. */
function tellPut(hub: Hub, press: Pressed, taken: Taken, under: Element | null): void {
  hub.soon(PUT_SHOWS_MS, () => {
    const put = putNow(hub, taken, under)
    if (put) hub.emit('drag', press.asked, { element: taken.seen, ...put }, press.at)
  })
}

function clickedByKey(hub: Hub, event: MouseEvent, before: (target: Element) => void, lastKey: { key: string; at: number }): void {
  const inner = innermost(event)
  if (!inner || Date.now() - lastKey.at > KEY_CLICKS_WITHIN_MS || !['Enter', ' ', 'Spacebar'].includes(lastKey.key)) return
  const target = meant(inner)
  const [asked, element] = [hub.press(target, false), hub.seen(target)]
  before(target)
  if (ticksByPress(target)) hub.emit('tick', asked, { element, ticked: !isTicked(target), byKeyboard: true })
  else hub.emit('click', asked, { element, byKeyboard: true })
}

/** When no click follows, the element was dragged by the page itself, or it left the page while it was pressed. */
function released(hub: Hub, press: Pressed, event: PointerEvent): void {
  if (press.used || press.button !== 0) return
  const far = isFar(press, event)
  const under = press.taken && underPointer(event.clientX, event.clientY, press.taken)
  hub.soon(CLICK_FOLLOWS_MS, () => {
    if (press.used || press.dragged || !hub.on()) return
    press.used = true
    if (!far) return clicked(hub, press, !press.target.isConnected)
    if (isSlider(press.target)) {
      const value = valueOfSlider(press.target)
      if (value !== press.was.value) hub.emit('set', press.asked, { element: press.element, ...hub.told(value) }, press.at)
      return
    }
    if (isField(press.target) || !press.taken || getSelection()?.isCollapsed === false) return
    tellPut(hub, press, press.taken, under)
  })
}
