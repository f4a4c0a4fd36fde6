import { nameAsker, type PrivateKind } from '@jackdaw/core/recording'
import { nanoid } from 'nanoid'
import type { Arrival, BarWish, Hiding, Orders, Shown, StandingOrders, ToPage } from '../shared/messages'
import { watchActions } from './actions'
import { Bar } from './bar'
import { pageSeen, type Eyes } from './describe'
import { frameOffset, type FrameOffset } from './frames'
import { keep, tell } from './link'
import { Pictures } from './pictures'
import { pickElement } from './picker'
import { Scrolls } from './scrolls'
import { watchWaits } from './waits'

const BEAT_MS = 20_000
const isTop = window === top
const navigationIndex = (): number => ('navigation' in window ? (window.navigation.currentEntry?.index ?? -1) : -1)
const HOW = { navigate: 'navigate', reload: 'reload', back_forward: 'back_forward', prerender: 'navigate' } as const

/** What the handlers took, in milliseconds, on the page's own timeline while a page asks for it: for those who measure. */
function measured(what: string, ms: number): void {
  if (document.documentElement.hasAttribute('data-measure-recorder'))
    performance.measure(`recorder:${what}`, { start: performance.now() - ms, duration: ms })
}

/** Records in one frame, from its first message to `stop`. */
export class FrameRecorder {
  private shown: Shown
  private kinds: ReadonlySet<PrivateKind>
  private bar: Bar | null = null
  private picking: { host: HTMLElement; end: () => void } | null = null
  private lastTime = 0
  private readonly openedAt: number
  private readonly isName: (words: string) => boolean
  private readonly frame: FrameOffset
  private readonly pictures: Pictures
  private readonly scrolls: Scrolls
  private readonly waits: ReturnType<typeof watchWaits>
  private readonly actions: ReturnType<typeof watchActions>
  private readonly ends = new AbortController()
  private readonly beat = setInterval(() => void tell({ say: 'beat' }), BEAT_MS)

  constructor(
    private readonly doc: string,
    private readonly orders: StandingOrders,
  ) {
    this.openedAt = this.clock()
    this.shown = orders.shown
    this.kinds = new Set(orders.shown.hiding.kinds)
    this.isName = nameAsker(orders.names.marks, orders.names.salt)
    this.frame = frameOffset(orders.secret, () => {
      this.scrolls.placed()
      this.pictures.moved()
    })
    this.waits = watchWaits()
    this.scrolls = new Scrolls(this.frame, this.ends.signal)
    this.pictures = this.startPictures()
    this.actions = this.startActions()
    this.whenReady(() => this.showBar())
    this.watchArrivals()
    addEventListener('blur', () => this.on() && this.actions.flush(), { signal: this.ends.signal })
    addEventListener('visibilitychange', () => document.visibilityState === 'visible' && this.pictures.stir(), { signal: this.ends.signal })
  }

  /** The background has answered: it knows what was done in this tab before, and whether the recording begins here. */
  greeted({ shown, lastActionAt, first }: Orders): void {
    this.show(shown)
    this.waits.after(lastActionAt)
    if (!isTop) return
    const [entry] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[]
    const begun = first && document.visibilityState === 'visible'
    if (performance.timeOrigin > this.orders.startedAt || begun)
      this.whenReady(() => this.arrived(HOW[entry?.type ?? 'navigate'], this.openedAt))
  }

  /** @returns what the background is to be answered, if anything */
  hear(message: ToPage): unknown {
    switch (message.tell) {
      case 'shown':
        return this.show(message.shown)
      case 'captured':
        return message.doc === this.doc ? this.pictures.captured(message.shotId, message.changes, message.presses) : undefined
      case 'still':
        return message.doc === this.doc ? this.pictures.still() : null
      case 'point':
        return this.point()
      case 'unpoint':
        return this.picking?.end()
      case 'veil':
        return this.pictures.veil()
      case 'flush':
        return this.actions.flush()
      case 'stop':
        return this.stop()
    }
  }

  private readonly on = (): boolean => this.shown.status === 'recording' && this.picking === null
  private readonly mine = (node: Node): boolean => node === this.bar?.host || node === this.picking?.host
  private readonly clock = (): number => (this.lastTime = Math.max(Date.now(), this.lastTime + 1))
  private readonly pointed = (): string[] => this.shown.hiding.pointed[location.origin] ?? []
  private readonly changeHiding = (hiding: Hiding): void => void tell({ say: 'hiding', hiding })

  private eyes(): Eyes {
    const kinds = () => this.kinds
    return {
      get kinds() {
        return kinds()
      },
      isName: this.isName,
      path: () => this.frame.path(),
      toWindow: (rect) => this.frame.toWindow(rect),
      boxes: () => this.pictures.textBoxes(),
      names: () => this.pictures.names(),
      scrolledTo: (element) => this.scrolls.wayTo(element),
    }
  }
  private readonly page = () => pageSeen({ kinds: this.kinds, isName: this.isName })

  private startPictures() {
    return new Pictures({
      doc: this.doc,
      wish: () => ({ kinds: this.kinds, pointed: this.pointed(), isName: this.isName, skip: this.mine }),
      frame: this.frame,
      mine: this.mine,
      bar: {
        hide: () => this.shown.status === 'recording' && this.bar?.hide(),
        show: () => {
          this.bar?.keepInSight()
          this.bar?.show()
        },
        onScreen: () => this.bar?.onScreen() ?? null,
        free: () => this.bar?.free() ?? Promise.resolve(),
      },
      page: this.page,
      newId: nanoid,
      on: this.on,
      changed: () => this.waits.changed(),
      found: (root) => {
        this.actions.watchRoot(root)
        this.scrolls.watchRoot(root)
      },
      measured,
    })
  }
  private startActions() {
    return watchActions({
      on: this.on,
      mine: this.mine,
      newId: nanoid,
      eyes: this.eyes(),
      page: this.page,
      textBoxes: () => this.pictures.textBoxes(),
      press: (element, mayHold) => this.pictures.press(element, mayHold),
      holdIfNeeded: () => this.pictures.holdIfNeeded(),
      keep: (action) => void keep(action),
      waitedMs: () => this.waits.waitedMs(),
      acted: () => {
        this.waits.acted()
        this.scrolls.acted()
      },
      changes: () => this.pictures.changeCount(),
      clock: this.clock,
      measured: (ms) => measured('handler', ms),
    })
  }

  private whenReady(run: () => void): void {
    if (document.readyState === 'loading') addEventListener('DOMContentLoaded', run, { once: true, signal: this.ends.signal })
    else run()
  }
  /** Tells how this page came to be shown: opened anew, or come back to. */
  private arrived(how: Arrival, at = this.clock()): void {
    void tell({ say: 'arrived', doc: this.doc, page: this.page(), how, index: navigationIndex(), at })
  }
  private watchArrivals(): void {
    if (!isTop) return
    const { signal } = this.ends
    addEventListener('popstate', (event) => event.isTrusted && this.arrived('again'), { signal })
    addEventListener('pageshow', (event) => event.persisted && this.arrived('back_forward'), { signal })
  }

  private show(shown: Shown): void {
    if (this.shown.status === 'recording' && shown.status !== 'recording') this.actions.flush()
    const hidingChanged = JSON.stringify(this.shown.hiding) !== JSON.stringify(shown.hiding)
    this.shown = shown
    this.scrolls.actedElsewhere(shown.lastAt)
    this.kinds = new Set(shown.hiding.kinds)
    this.showBar()
    if (shown.status !== 'recording') this.bar?.show()
    if (hidingChanged) this.pictures.outdate()
  }
  private showBar(): void {
    if (!isTop || !document.documentElement) return
    const isNew = this.bar === null
    const wished = (wish: BarWish) => void tell({ say: 'wish', wish })
    this.bar ??= new Bar({ wished, changeHiding: this.changeHiding, point: () => wished('point') })
    this.bar.update(this.shown)
    if (isNew && this.shown.status !== 'recording') this.bar.show()
  }
  private point(): void {
    if (this.shown.status !== 'recording' || this.picking) return
    this.picking = pickElement(
      (selector) => {
        void tell({ say: 'wish', wish: 'unpoint' })
        const { hiding } = this.shown
        if (selector) this.changeHiding({ ...hiding, pointed: { ...hiding.pointed, [location.origin]: [...this.pointed(), selector] } })
      },
      () => (this.picking = null),
    )
  }
  private stop(): void {
    clearInterval(this.beat)
    this.ends.abort()
    this.picking?.end()
    this.actions.stop()
    this.pictures.stop()
    this.waits.stop()
    this.frame.stop()
    this.bar?.remove()
    this.bar = null
  }
}
