import { activeEntry, isKeyedByPage, isLedByLetters, isSlider, isTicked, ticksByPress, valueOfSlider } from './ariaStates'
import { nameOfElement, textOf } from './describe'
import { changesByKey } from './entries'
import { innermost, meant } from './hit'
import type { Hub } from './hub'
import { keyThatMatters, letterOf, type KeyPlace } from './keys'
import { isInteractive } from './locators'
import type { Asked } from './pictures'
import { isSecret } from './secrets'
import { fieldOf, type Field, type Sent } from './typing'

function placeOfKey(element: Element | null): KeyPlace {
  const field = fieldOf(element)
  if (field) return field instanceof HTMLInputElement ? 'line' : 'lines'
  return element && isInteractive(element) ? 'pressable' : 'other'
}

const LETTERS_BELONG_MS = 1_200
/** Longer than between the letters of what somebody types. */
const LETTERS_SETTLE_MS = 700
const MOST_LETTERS = 3

/** Keys that matter, and what was asked for when a key went down on a list, a box or a slider. */
export function watchKeys(
  hub: Hub,
  flush: () => void,
  sent: (field: Field) => Sent | null,
): { last: () => { key: string; at: number }; keyed: (element: Element) => Asked | null; flush: (leaving: boolean) => void } {
  let last = { key: '', at: 0 }
  let keyed: { element: Element; asked: Asked } | null = null
  const letters = watchLetters(hub, flush)
  const sliders = watchSliders(hub)
  hub.listen('keydown', (event) => {
    last = { key: event.key, at: Date.now() }
    const inner = innermost(event)
    if (changesByKey(inner) && keyed?.element !== inner && event.key !== 'Tab') keyed = { element: inner, asked: hub.press(inner, false) }
    if (inner && pressedByKey(hub, inner, event, flush)) return
    if (inner && isSlider(inner)) sliders.keyed(inner, event.key)
    const place = placeOfKey(inner)
    const key = keyThatMatters(event, place)
    if (key === null || (key === 'Enter' && inner instanceof HTMLSelectElement)) {
      if (place === 'lines' && event.key === 'Enter' && !event.shiftKey) sendsByEnter(hub, event, fieldOf(inner)!, sent)
      if ((place === 'other' || place === 'pressable') && !(inner && isLedByLetters(inner))) letters.pressed(event, inner)
      return
    }
    const field = fieldOf(inner)
    const tells = inner !== null && inner !== document.body && !(field && isSecret(field) && key !== 'Enter')
    const element = tells ? hub.seen(meant(inner)) : undefined
    const asked = hub.press(inner ?? document.documentElement, false)
    flush()
    hub.emit('key', asked, { key, ...(element ? { element } : {}) })
  })
  hub.listen('focusout', () => sliders.flush())
  return {
    last: () => last,
    keyed(element) {
      const asked = keyed?.element === element ? keyed.asked : null
      keyed = null
      return asked
    },
    flush(leaving) {
      letters.flush(leaving)
      sliders.flush()
    },
  }
}

/** Enter in a field of several lines is a step where the page sends by it what was typed. */
function sendsByEnter(hub: Hub, event: KeyboardEvent, field: Field, sentFrom: (field: Field) => Sent | null): void {
  const sent = sentFrom(field)
  if (!sent) return
  const element = hub.seen(field)
  const asked = hub.press(field, false)
  const at = hub.clock()
  setTimeout(() => {
    if (!event.defaultPrevented || !sent.isEmptied()) return
    sent.tell()
    hub.emit('key', asked, { key: 'Enter', element }, at)
  }, 0)
}

/** Enter and the space bar on what a page has made pressable itself, and on a list whose field keeps the focus.
 * @returns whether it was one of them */
function pressedByKey(hub: Hub, inner: Element, event: KeyboardEvent, flush: () => void): boolean {
  if (event.repeat || event.isComposing || event.ctrlKey || event.metaKey || event.altKey) return false
  const isEnter = event.key === 'Enter'
  if (!isEnter && !(event.key === ' ' && !fieldOf(inner))) return false
  const entry = activeEntry(inner)
  if (entry) {
    const element = hub.seen(inner)
    const asked = hub.press(inner, false)
    flush()
    hub.emit('choose', asked, { element, byKeyboard: true, ...hub.told(nameOfElement(entry) || textOf(entry)) })
    return true
  }
  if (!isKeyedByPage(inner)) return false
  const element = hub.seen(inner)
  const asked = hub.press(inner, false)
  flush()
  if (ticksByPress(inner)) hub.emit('tick', asked, { element, ticked: !isTicked(inner), byKeyboard: true })
  else hub.emit('click', asked, { element, byKeyboard: true })
  return true
}

type Letter = { key: string; at: number; asked: Asked; event: KeyboardEvent }
/** Letters that were pressed shortly one after the other, and how the page was before. */
type Burst = { letters: Letter[]; changes: number; focus: Element | null }

/** Single letters that do something in a page, where nothing is typed. Letters after which nothing happens were a slip. More of them in one
 * go than any shortcut has are typing into something that is no field, and that may be a password: none of them is told. */
function watchLetters(
  hub: Hub,
  flush: () => void,
): { pressed(event: KeyboardEvent, inner: Element | null): void; flush(leaving: boolean): void } {
  let burst: Burst | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  const settle = (leaving: boolean) => {
    clearTimeout(timer)
    if (!burst) return
    const { letters, changes, focus } = burst
    burst = null
    if (letters.length > MOST_LETTERS) return
    const did = letters.some(({ event }) => event.defaultPrevented) || hub.changes() !== changes || document.activeElement !== focus
    if (did || leaving) for (const { key, at, asked } of letters) hub.emit('key', asked, { key }, at)
  }
  return {
    pressed(event, inner) {
      const key = letterOf(event)
      if (key === null || inner instanceof HTMLCanvasElement) return
      flush()
      const at = hub.clock()
      if (burst && at - burst.letters.at(-1)!.at > LETTERS_BELONG_MS) settle(false)
      burst ??= { letters: [], changes: hub.changes(), focus: document.activeElement }
      burst.letters.push({ key, at, asked: hub.press(inner ?? document.documentElement, false), event })
      clearTimeout(timer)
      timer = setTimeout(() => settle(false), LETTERS_SETTLE_MS)
    },
    flush: settle,
  }
}

/** Sliders that a page has made itself, moved by keys. */
function watchSliders(hub: Hub): { keyed(element: Element, key: string): void; flush(): void } {
  let open: { element: Element; seen: ReturnType<Hub['seen']>; asked: Asked; at: number; before: string } | null = null
  return {
    keyed(element, key) {
      if (key === 'Tab' || open?.element === element) return
      open = { element, seen: hub.seen(element), asked: hub.press(element, false), at: hub.clock(), before: valueOfSlider(element) }
    },
    flush() {
      if (!open) return
      const { element, seen, asked, at, before } = open
      open = null
      const value = valueOfSlider(element)
      if (value !== before) hub.emit('set', asked, { element: seen, ...hub.told(value) }, at)
    },
  }
}
