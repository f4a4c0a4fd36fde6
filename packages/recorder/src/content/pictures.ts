import type { NewId } from '@jackdaw/core/shared'
import type { Rect } from '@jackdaw/core/guides'
import type { TextBox } from '@jackdaw/core/recording'
import type { Press, Rest } from '../shared/messages'
import { watchChanges } from './changes'
import { isEmpty } from './clips'
import type { FrameOffset } from './frames'
import { idly } from './idly'
import { tell } from './link'
import { indexing, type NameIndex } from './locators'
import { standInOf } from './standIn'
import { scanIdly, scanNow, type Scan, type ScanWish } from './textBoxes'

/** How long the page's own thread is held for a picture that could not be taken ahead. */
const HOLD_MS = 80
const DRAWN = new Set(['CANVAS', 'VIDEO', 'EMBED', 'OBJECT'])

/** A picture that was asked for: taken already (`freshShotId`), or to be found under `pressId`. */
export type Asked = { pressId: string; freshShotId: string | null }

export type PictureParts = {
  doc: string
  wish: () => ScanWish
  frame: FrameOffset
  mine: (node: Node) => boolean
  bar: { hide(): void; show(): void; onScreen(): Rect | null; free(): Promise<void> }
  page: () => Rest['page']
  newId: NewId
  on: () => boolean
  /** The page has changed, or has come to rest. */
  changed: () => void
  /** There is a shadow root in the page. */
  found: (root: ShadowRoot) => void
  measured: (what: 'press' | 'hold', ms: number) => void
}

/** A frame that is not drawn (taken out of sight, below the fold) gets none of the browser's animation frames: it has drawn nothing then. */
const FRAMES_WITHIN_MS = 250
const frames = (n: number): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, FRAMES_WITHIN_MS)
    const next = () => (n-- > 0 && document.visibilityState === 'visible' ? requestAnimationFrame(next) : resolve())
    next()
  })
const windowSize = () => ({ width: innerWidth, height: innerHeight })

/** Has pictures taken whenever the frame is at rest, and decides at a press whether the last one still holds. */
export class Pictures {
  private scan: Scan | null = null
  private scannedAt = -1
  private nameIndex: NameIndex | null = null
  private boxes: TextBox[] = []
  /** What was done so far: each may change what is seen without a trace in the page, so that a new picture is needed. */
  private presses = 0
  private last: (Asked & { hold: boolean; since: number }) | null = null
  private ahead: { shotId: string; changes: number; presses: number } | null = null
  private readonly changes: ReturnType<typeof watchChanges>

  constructor(private readonly parts: PictureParts) {
    this.changes = watchChanges(parts.mine, {
      onChange: parts.changed,
      onDirty: () => {
        parts.bar.hide()
        if (parts.on()) void tell({ say: 'dirty', doc: parts.doc })
      },
      onRest: (restless) => {
        parts.changed()
        if (restless) parts.bar.show()
        void this.atRest()
      },
    })
  }

  textBoxes = (): TextBox[] => this.boxes
  names = (): NameIndex | null => this.nameIndex

  /** Asks for a picture from before what begins now. A press of the pointer may hold the page for it, a key may not. */
  press(element: Element, mayHold: boolean): Asked {
    const { parts } = this
    const since = performance.now()
    const pressId = parts.newId()
    const changes = this.changes.count()
    const holds = this.ahead?.changes === changes && this.ahead.presses === this.presses && this.wasSeen(standInOf(element))
    const freshShotId = holds ? this.ahead!.shotId : null
    // From inside of a frame nobody can tell in time whether the bar is out of sight in the page around it.
    const held = freshShotId === null && mayHold && window === top
    const press: Press = {
      pressId,
      doc: parts.doc,
      changes,
      freshShotId,
      blind: DRAWN.has(element.tagName),
      held,
      bar: parts.bar.onScreen(),
      window: windowSize(),
    }
    void tell({ say: 'press', press })
    this.presses++
    this.ahead = null
    parts.measured('press', performance.now() - since)
    this.last = { pressId, freshShotId, hold: held, since }
    this.changes.stir()
    return this.last
  }

  /** After everything else: says what is to be hidden in the picture of the last press, when one is being taken, and holds the page's thread
   * until it should have been. */
  holdIfNeeded(): void {
    if (!this.last?.hold) return
    const { pressId, since } = this.last
    this.last = null
    void tell({ say: 'areas', pressId, areas: this.areasNow() })
    while (performance.now() - since < HOLD_MS);
    this.parts.measured('hold', performance.now() - since)
  }

  /** The picture taken ahead has come: it holds as long as nothing changes. */
  captured(shotId: string | null, atChanges: number, atPresses: number): void {
    if (shotId && atChanges === this.changes.count() && atPresses === this.presses)
      this.ahead = { shotId, changes: atChanges, presses: atPresses }
    this.parts.bar.show()
  }

  /** The counts once the browser has told everything that it has drawn. */
  async still(): Promise<{ changes: number; presses: number }> {
    if (this.isDrawn()) await frames(1)
    return { changes: this.changes.count(), presses: this.presses }
  }

  /** Takes the bar out of sight. @returns when it is gone from the screen */
  async veil(): Promise<true> {
    await this.parts.bar.free()
    this.parts.bar.hide()
    await frames(2)
    return true
  }

  changeCount = (): number => this.changes.count()
  stir = (): void => this.changes.stir()
  /** What is to be hidden is another now: the picture that was taken ahead shows too much. */
  outdate(): void {
    this.presses++
    this.ahead = null
    this.scannedAt = -1
    this.changes.stir()
  }
  /** The frame stands somewhere else in the window: what was found is found in the wrong place. */
  moved = (): void => this.changes.touch()
  stop = (): void => this.changes.stop()

  private async atRest(): Promise<void> {
    const { parts } = this
    if (!parts.on() || document.visibilityState !== 'visible' || !parts.frame.known()) return
    const [changes, presses] = [this.changes.count(), this.presses]
    const stale = () => this.changes.count() !== changes || !parts.on()
    const scan = await scanIdly(parts.wish(), stale)
    if (!scan) return
    for (const shadow of scan.shadows) {
      this.changes.watch(shadow)
      parts.found(shadow)
    }
    this.scan = scan
    this.scannedAt = changes
    this.boxes = scan.textBoxes.flatMap((box) => {
      const rect = parts.frame.seenInWindow(box.rect)
      return isEmpty(rect) ? [] : [{ ...box, rect }]
    })
    const inner = parts.frame.tellInner(scan.shadows)
    const rest: Rest = {
      doc: parts.doc,
      changes,
      presses,
      areas: this.inWindow(scan.areas),
      place: parts.frame.place(),
      inner,
      textBoxes: this.boxes,
      window: windowSize(),
      page: parts.page(),
    }
    void tell({ say: 'rest', rest })
    this.nameIndex = (await idly(indexing([document, ...scan.shadows]), stale)) ?? this.nameIndex
  }

  private isDrawn(): boolean {
    const place = this.parts.frame.place()
    return place !== null && !isEmpty(place)
  }
  private inWindow = (areas: readonly Rect[]): Rect[] =>
    areas.map((area) => this.parts.frame.seenInWindow(area)).filter((area) => !isEmpty(area))
  /** What is to be hidden right now: as last found when nothing has changed, else found anew at once. */
  private areasNow(): Rect[] {
    if (this.scan && this.scannedAt === this.changes.count()) return this.inWindow(this.scan.areas)
    return this.inWindow(scanNow(this.parts.wish()).areas)
  }
  /** Whether an element could be seen when the picture was taken. What appears under the pointer by style alone leaves no other trace. */
  private wasSeen(element: Element): boolean {
    if (!this.scan) return false
    if (element.childElementCount > 0 || (element.textContent ?? '').trim() === '') return !this.scan.unseen.has(element)
    return this.scan.seen.has(element)
  }
}
