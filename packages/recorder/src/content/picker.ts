import { BAR_STYLE } from './barStyle'
import { el } from './el'
import { innermost } from './hit'
import { cssOf } from './locators'

/** Lets a person point at what is to be hidden; nothing reaches the page meanwhile.
 * @param done with a selector for it, or `null` when it was given up by Escape
 * @param ended when nothing is pointed at any more, for whatever reason
 * @returns ends it */
export function pickElement(done: (selector: string | null) => void, ended: () => void): { host: HTMLElement; end: () => void } {
  const host = document.createElement('jackdaw-pointer')
  const root = host.attachShadow({ mode: 'closed' })
  const sheet = new CSSStyleSheet()
  sheet.replaceSync(BAR_STYLE)
  root.adoptedStyleSheets = [sheet]
  const frame = el('div', { className: 'frame' })
  root.append(frame)
  if (window === top)
    root.append(el('div', { className: 'hint', role: 'status' }, 'Select what is to be hidden on this site from now on. Escape leaves it.'))
  host.popover = 'manual'
  document.documentElement.append(host)
  host.showPopover()

  const ends = new AbortController()
  const end = () => {
    ends.abort()
    host.remove()
    ended()
  }
  const finish = (selector: string | null) => {
    end()
    done(selector)
  }
  const target = (event: Event): Element | null => {
    const element = innermost(event)
    return element === document.documentElement || element === document.body ? null : element
  }
  const swallow = (event: Event) => {
    event.preventDefault()
    event.stopImmediatePropagation()
  }
  const on = (names: readonly string[], run: (event: Event) => void) => {
    for (const name of names) window.addEventListener(name, run, { capture: true, signal: ends.signal })
  }
  on(['pointermove'], (event) => {
    const rect = target(event)?.getBoundingClientRect()
    if (rect)
      Object.assign(frame.style, {
        display: 'block',
        left: `${rect.x}px`,
        top: `${rect.y}px`,
        width: `${rect.width}px`,
        height: `${rect.height}px`,
      })
  })
  on(['pointerdown', 'mousedown', 'pointerup', 'mouseup', 'contextmenu', 'dblclick'], swallow)
  on(['click'], (event) => {
    swallow(event)
    const element = target(event)
    if (element && event.isTrusted) finish(cssOf(element))
  })
  on(['keydown'], (event) => {
    if ((event as KeyboardEvent).key !== 'Escape') return
    swallow(event)
    finish(null)
  })
  return { host, end }
}
