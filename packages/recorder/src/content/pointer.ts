import type { ElementSeen } from '@jackdaw/core/recording'
import { innermost, meant } from './hit'
import type { Hub } from './hub'
import type { Asked } from './pictures'
import { elementAt } from './shadows'
import { isField } from './typing'

const MOVED_PX = 10
const CLICK_FOLLOWS_MS = 60
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
    before(target)
    const { clientX: x, clientY: y, button } = event
    pressed = { asked, target, element: hub.seen(target), x, y, at: hub.clock(), button, used: false, dragged: false }
    hub.measured(performance.now() - from)
    hub.holdIfNeeded()
  })
  hub.listen('click', (event) => {
    if (event.detail === 0) return clickedByKey(hub, event, before, lastKey())
    if (!pressed || pressed.used || pressed.dragged) return
    pressed.used = true
    const slid = pressed.target instanceof HTMLInputElement && pressed.target.type === 'range' && isFar(pressed, event)
    if (!slid) hub.emit('click', pressed.asked, { element: pressed.element }, pressed.at)
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
    if (pressed) pressed.dragged = true
  })
  hub.listen('drop', (event) => {
    const onto = innermost(event)
    if (!pressed?.dragged || pressed.used || !onto) return
    pressed.used = true
    hub.emit('drag', pressed.asked, { element: pressed.element, onto: hub.seen(meant(onto)) }, pressed.at)
  })
  return { pressed: () => pressed }
}

const isFar = (press: Pressed, event: MouseEvent): boolean => Math.hypot(event.clientX - press.x, event.clientY - press.y) > MOVED_PX

function clickedByKey(hub: Hub, event: MouseEvent, before: (target: Element) => void, lastKey: { key: string; at: number }): void {
  const inner = innermost(event)
  if (!inner || Date.now() - lastKey.at > KEY_CLICKS_WITHIN_MS || !['Enter', ' ', 'Spacebar'].includes(lastKey.key)) return
  const target = meant(inner)
  before(target)
  hub.emit('click', hub.press(target, false), { element: hub.seen(target), byKeyboard: true })
}

/** When no click follows, the element was dragged by the page itself, or it left the page while it was pressed. */
function released(hub: Hub, press: Pressed, event: PointerEvent): void {
  if (press.used || press.button !== 0) return
  const far = isFar(press, event)
  const under = elementAt(event.clientX, event.clientY)
  setTimeout(() => {
    if (press.used || press.dragged || !hub.on()) return
    press.used = true
    if (!far) {
      const vanished = press.target.isConnected ? {} : { vanished: true }
      return hub.emit('click', press.asked, { element: press.element, ...vanished }, press.at)
    }
    if (isField(press.target) || !under || press.target.contains(under) || !getSelection()?.isCollapsed) return
    hub.emit('drag', press.asked, { element: press.element, onto: hub.seen(meant(under)) }, press.at)
  }, CLICK_FOLLOWS_MS)
}
