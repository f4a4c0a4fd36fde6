import type { NewId } from '@jackdaw/core/shared'
import {
  findPrivate,
  type ActionKind,
  type ElementSeen,
  type PageSeen,
  type PrivateKind,
  type RawAction,
  type TextBox,
} from '@jackdaw/core/recording'
import type { ToldAction } from '../shared/messages'
import { describe, type Eyes } from './describe'
import type { Asked } from './pictures'

export type ActionParts = {
  on: () => boolean
  mine: (node: Node) => boolean
  newId: NewId
  eyes: Eyes
  page: () => PageSeen
  textBoxes: () => TextBox[]
  press: (element: Element, mayHold: boolean) => Asked
  /** Holds the page when the last press needs it. */
  holdIfNeeded: () => void
  keep: (action: ToldAction) => void
  waitedMs: () => number
  acted: () => void
  /** Changes of the page so far. */
  changes: () => number
  /** Epoch milliseconds, never the same twice. */
  clock: () => number
  measured: (ms: number) => void
}

/** What those who listen have in common: hearing what a person does, describing elements, telling actions. */
export type Hub = ActionParts & {
  listen<K extends keyof DocumentEventMap>(name: K, run: (event: DocumentEventMap[K]) => void): void
  /** Listens in a shadow root, too: some of what happens there does not come out of it. */
  watchRoot(root: ShadowRoot): void
  seen(element: Element): ElementSeen
  /** Does something a little later, at the latest when everything is to be told. */
  soon(afterMs: number, run: () => void): void
  /** Does at once what was to be done a little later. */
  flush(): void
  emit(kind: ActionKind, asked: Asked | null, more?: Partial<ToldAction>, at?: number): void
  /** A value as it may be told: hidden kinds and secrets (`null`) are left out, and which kind it was is said. */
  told(value: string | null, field?: Element): { value?: string; hidden?: PrivateKind }
}

/** Whether a field says that it takes a telephone number: what stands in it is none of an account. */
const isForPhone = (field: Element): boolean =>
  field instanceof HTMLInputElement && (field.type === 'tel' || /\btel\b/.test(field.autocomplete))

/** Events that do not leave the shadow root in which they happen. */
const STAYS_INSIDE: ReadonlySet<string> = new Set(['change'])

/** What waits a moment until the page shows what came of it. */
function later(): Pick<Hub, 'soon' | 'flush'> {
  const waiting = new Set<() => void>()
  return {
    soon(afterMs, run) {
      const once = () => {
        clearTimeout(timer)
        if (waiting.delete(once)) run()
      }
      const timer = setTimeout(once, afterMs)
      waiting.add(once)
    },
    flush() {
      for (const once of waiting) once()
    },
  }
}

/** @param signal ends all listening */
export function newHub(parts: ActionParts, signal: AbortSignal): Hub {
  const { eyes } = parts
  const inRoots: [name: string, heard: (event: Event) => void][] = []
  const roots = new WeakSet<ShadowRoot>()
  // What programs do (`isTrusted` false) does not count, nor what is done to our own bar.
  const counts = (event: Event): boolean =>
    event.isTrusted && parts.on() && !event.composedPath().some((each) => each instanceof Node && parts.mine(each))
  return {
    ...parts,
    listen(name, run) {
      const heard = (event: Event) => {
        if (counts(event)) run(event as never)
      }
      window.addEventListener(name, heard, { capture: true, signal })
      if (STAYS_INSIDE.has(name)) inRoots.push([name, heard])
    },
    watchRoot(root) {
      if (roots.has(root)) return
      roots.add(root)
      for (const [name, heard] of inRoots) root.addEventListener(name, heard, { capture: true, signal })
    },
    seen: (element) => describe(element, eyes),
    ...later(),
    emit(kind, asked, more = {}, at = parts.clock()) {
      const action: ToldAction = {
        id: parts.newId<RawAction['id']>(),
        kind,
        at,
        page: parts.page(),
        scroll: { x: scrollX, y: scrollY },
        window: { width: innerWidth, height: innerHeight },
        devicePixelRatio,
        textBoxes: parts.textBoxes(),
        waitedMs: parts.waitedMs(),
        pressId: asked?.pressId ?? null,
        freshShotId: asked?.freshShotId ?? null,
        ...more,
      }
      parts.acted()
      parts.keep(action)
    },
    told(value, field) {
      if (value === null) return { hidden: 'password' }
      if (eyes.kinds.has('value')) return value === '' ? { value } : { hidden: 'value' }
      if (field && isForPhone(field) && /\d/.test(value))
        return eyes.kinds.has('phone') ? { hidden: 'phone' } : { value: value.slice(0, 2_000) }
      const [first] = findPrivate(value, eyes.kinds, eyes.isName)
      return first ? { hidden: first.kind } : { value: value.slice(0, 2_000) }
    },
  }
}
