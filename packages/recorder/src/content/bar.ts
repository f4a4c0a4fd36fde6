import type { Rect } from '@jackdaw/core/guides'
import { HIDE_WORDS } from '../shared/hideWords'
import { HIDE_SWITCHES, type BarWish, type Hiding, type Shown } from '../shared/messages'
import { BAR_STYLE } from './barStyle'
import { el } from './el'

/** What the bar tells its page's recorder. */
export type BarParts = { wished(wish: BarWish): void; changeHiding(hiding: Hiding): void; point(): void }

/** The bar of the recorder in a page of somebody else's: in a shadow root that the page cannot reach, above everything in the page, and
 * out of sight whenever a picture may be taken. */
export class Bar {
  readonly host = document.createElement('jackdaw-recorder')
  private shown: Shown | null = null
  /** Not before the first picture of the page has been taken. */
  private visible = false
  private goneFromScreen = true
  /** While somebody presses a button of it nothing in it moves, and it stays: what is told meanwhile waits. */
  private pressing = false
  private toShow: Shown | null = null
  private toHide = false
  private whenFree: (() => void)[] = []
  private readonly count = el('span', { className: 'count', role: 'status' })
  private readonly last = el('span', { className: 'last' })
  private readonly state = el('span', { className: 'state' })
  private readonly pause = el('button', {
    className: 'even',
    onclick: () => this.parts.wished(this.shown?.status === 'paused' ? 'go-on' : 'pause'),
  })
  private readonly drop = el('button', { onclick: () => this.parts.wished('drop') }, 'Drop last')
  private readonly hideButton = el('button', { ariaExpanded: 'false', onclick: () => this.open(this.choices.hidden !== false) }, 'Hide …')
  private readonly finish = el('button', { className: 'strong', onclick: () => this.parts.wished('finish') }, 'Finish')
  private readonly choices = el('div', { className: 'choices', hidden: true, role: 'group', ariaLabel: 'What is hidden in the pictures' })
  private readonly trouble = el('p', { className: 'trouble', hidden: true })
  private readonly bar = el('div', { className: 'bar out', role: 'region', ariaLabel: 'Jackdaw recorder' })

  constructor(private readonly parts: BarParts) {
    this.host.popover = 'manual'
    const root = this.host.attachShadow({ mode: 'closed' })
    const sheet = new CSSStyleSheet()
    sheet.replaceSync(BAR_STYLE)
    root.adoptedStyleSheets = [sheet]
    const side = el('button', { className: 'small', ariaLabel: 'Move the bar to the other edge' }, '⇅')
    side.addEventListener('click', () => this.bar.classList.toggle('above'))
    const { state, count, last, pause, drop, hideButton, finish } = this
    this.bar.append(this.choices, this.trouble, el('div', { className: 'row' }, state, count, last, pause, drop, hideButton, finish, side))
    this.bar.addEventListener('pointerdown', () => this.press())
    this.bar.addEventListener('keydown', (event) => {
      event.stopPropagation()
      if (event.key === 'Escape') this.open(false)
    })
    root.append(this.bar)
    this.keepInSight()
  }

  update(now: Shown): void {
    if (this.pressing) {
      this.toShow = now
      return
    }
    const { state, count, last, pause, drop, hideButton, finish, trouble } = this
    const hidingChanged = JSON.stringify(this.shown?.hiding) !== JSON.stringify(now.hiding)
    this.shown = now
    const paused = now.status === 'paused'
    const sending = now.status === 'finishing'
    state.textContent = sending ? 'Sending' : paused ? 'Paused' : 'Recording'
    this.bar.dataset['status'] = now.status
    count.textContent = now.steps === 1 ? '1 step' : `${now.steps} steps`
    last.textContent = now.last
    last.title = now.last
    pause.textContent = paused ? 'Go on' : 'Pause'
    for (const button of [pause, hideButton]) button.disabled = sending
    for (const button of [drop, finish]) button.disabled = sending || now.steps === 0
    trouble.hidden = now.trouble === ''
    trouble.textContent = now.trouble
    if (hidingChanged) this.choices.replaceChildren(...choicesFor(now.hiding, this.parts.changeHiding, () => this.startPointing()))
  }

  hide(): void {
    if (!this.visible) return
    if (this.pressing) {
      this.toHide = true
      return
    }
    this.visible = false
    this.goneFromScreen = false
    this.bar.classList.add('out')
    requestAnimationFrame(() => requestAnimationFrame(() => (this.goneFromScreen = !this.visible)))
  }
  show(): void {
    this.toHide = false
    this.visible = true
    this.goneFromScreen = false
    this.bar.classList.remove('out')
  }
  /** Once nobody presses a button of it. */
  free(): Promise<void> {
    return this.pressing ? new Promise((resolve) => this.whenFree.push(resolve)) : Promise.resolve()
  }
  /** Where the bar is still to be seen; `null` once it is surely gone from the screen. */
  onScreen(): Rect | null {
    if (this.goneFromScreen) return null
    const { x, y, width, height } = this.bar.getBoundingClientRect()
    return { x, y, width, height }
  }
  /** Back into sight when the page has taken it away or has put a dialog over it, in which alone something can be pressed then. */
  keepInSight(): void {
    const modal = [...document.querySelectorAll<HTMLDialogElement>('dialog:modal')].at(-1)
    const parent = modal ?? document.documentElement
    if (this.host.parentNode !== parent) parent.append(this.host)
    if (!this.host.matches(':popover-open')) this.host.showPopover()
  }
  remove(): void {
    this.host.remove()
  }

  /** Until the click has come, or the pointer was let go somewhere else. */
  private press(): void {
    this.pressing = true
    const released = () =>
      setTimeout(() => {
        this.pressing = false
        ends.abort()
        if (this.toShow) this.update(this.toShow)
        this.toShow = null
        if (this.toHide) this.hide()
        this.toHide = false
        for (const run of this.whenFree.splice(0)) run()
      }, 0)
    const ends = new AbortController()
    addEventListener('blur', released, { signal: ends.signal })
    for (const name of ['pointerup', 'pointercancel'] as const) addEventListener(name, released, { capture: true, signal: ends.signal })
  }
  private open(open: boolean): void {
    this.choices.hidden = !open
    this.hideButton.ariaExpanded = String(open)
  }
  private startPointing(): void {
    this.open(false)
    this.parts.point()
  }
}

/** What can be hidden: kinds with a box each, and pointing. */
function choicesFor(hiding: Hiding, change: (hiding: Hiding) => void, point: () => void): Node[] {
  const here = hiding.pointed[location.origin]?.length ?? 0
  const others = () => Object.fromEntries(Object.entries(hiding.pointed).filter(([site]) => site !== location.origin))
  const boxes = HIDE_SWITCHES.map((kind) => {
    const box = el('input', { type: 'checkbox', checked: hiding.kinds.includes(kind) })
    box.addEventListener('change', () =>
      change({ ...hiding, kinds: box.checked ? [...hiding.kinds, kind] : hiding.kinds.filter((each) => each !== kind) }),
    )
    return el('label', {}, box, HIDE_WORDS[kind])
  })
  return [
    el('p', {}, 'Hidden before a picture leaves this browser. Passwords always are.'),
    ...boxes,
    el(
      'div',
      { className: 'row' },
      el('button', { onclick: point }, 'Point at something to hide'),
      here > 0 &&
        el('button', { onclick: () => change({ ...hiding, pointed: others() }) }, `Show again the ${here} hidden here by pointing`),
    ),
  ]
}
