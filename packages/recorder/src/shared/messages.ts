import type { RecordingTarget } from '@jackdaw/contracts/recording'
import type { Rect } from '@jackdaw/core/guides'
import type { PageSeen, RawAction, SentenceLanguage, TextBox } from '@jackdaw/core/recording'

/** Kinds that a person can switch; passwords are hidden always. */
export const HIDE_SWITCHES = ['mail', 'phone', 'account', 'person', 'address', 'number', 'value', 'portrait'] as const
export type HideSwitch = (typeof HIDE_SWITCHES)[number]
/** What is hidden: by kind, and by pointing, as selectors for each site. */
export type Hiding = { kinds: HideSwitch[]; pointed: Record<string, string[]> }
export const HIDING_AT_FIRST: Hiding = { kinds: ['mail', 'phone', 'account', 'person', 'address', 'portrait'], pointed: {} }

/** How far a recording is. `interrupted`: the browser was closed in the middle; `finishing`: ended, but not all has been sent yet. */
export type Status = 'idle' | 'recording' | 'paused' | 'interrupted' | 'finishing'

/** What the bar and the panel show. */
export type Shown = {
  status: Status
  steps: number
  last: string
  /** When something was last done, epoch milliseconds. */
  lastAt: number
  unsent: number
  trouble: string
  /** The guide that it was recorded for cannot be written: it may become one of its own. */
  noTarget: boolean
  /** How many actions Jackdaw does not take. */
  refused: number
  hiding: Hiding
}

/** What the script of any page has to know while it records. It lies where scripts can read it without the background, so that they hear
 * what is done from the first moment of a page on. */
export type StandingOrders = {
  recordingId: string
  shown: Shown
  names: { salt: string; marks: number[] }
  /** Only our own scripts know it; with it frames tell each other where they stand. */
  secret: string
  startedAt: number
  /** Jackdaw's own origin, which is never recorded. */
  home: string
}
/** What the background adds for one page. */
export type Orders = StandingOrders & {
  /** When something was last done in this tab, epoch milliseconds; 0 when nothing was. */
  lastActionAt: number
  /** Nothing has been recorded yet: the page in view is the one to begin on. */
  first: boolean
}

/** A frame as it stood when it was at rest. Lengths are CSS pixels of the tab's window. */
export type Rest = {
  doc: string
  changes: number
  presses: number
  areas: Rect[]
  /** Where the frame itself can be seen. */
  place: Rect | null
  /** Where the frames in it can be seen. What of them no script of ours answers for is hidden. */
  inner: Rect[]
  textBoxes: TextBox[]
  window: { width: number; height: number }
  page: PageSeen
}
/** Asks for a picture from before what is being done now. */
export type Press = {
  pressId: string
  doc: string
  changes: number
  /** The picture taken ahead, when nothing has changed since. */
  freshShotId: string | null
  /** Something that no script can watch is drawn where it was pressed. */
  blind: boolean
  /** The page's thread is held for the picture; what is to be hidden follows. */
  held: boolean
  /** The bar, should it still be on screen. */
  bar: Rect | null
  window: { width: number; height: number }
}
/** An action as a page's script tells it; the background adds tab and picture. */
export type ToldAction = Omit<RawAction, 'tab' | 'shot' | 'otherShots'> & { pressId: string | null; freshShotId?: string | null }

export type BarWish = 'point' | 'unpoint' | 'pause' | 'go-on' | 'drop' | 'finish' | 'own-guide' | 'discard'

/** How a page came to be shown; `again`: the application itself went to another of its addresses in the tab's history. */
export type Arrival = 'navigate' | 'reload' | 'back_forward' | 'again'

/** From a page's script to the background. */
export type FromPage =
  | { say: 'hello'; doc: string; top: boolean }
  /** A page is there: how it was opened, and its place in the tab's history. */
  | { say: 'arrived'; doc: string; page: PageSeen; how: Arrival; index: number; at: number }
  | { say: 'rest'; rest: Rest }
  | { say: 'dirty'; doc: string }
  | { say: 'press'; press: Press }
  | { say: 'areas'; pressId: string; areas: Rect[] }
  | { say: 'action'; action: ToldAction }
  | { say: 'wish'; wish: BarWish }
  | { say: 'hiding'; hiding: Hiding }
  | { say: 'beat' }

/** From the background to a page's script. */
export type ToPage =
  | { tell: 'shown'; shown: Shown }
  | { tell: 'captured'; doc: string; shotId: string | null; changes: number; presses: number }
  | { tell: 'still'; doc: string }
  /** The bar is to go out of sight; answered once it is gone from the screen. */
  | { tell: 'veil' }
  | { tell: 'flush' }
  /** Somebody wants to point at what is to be hidden, in whichever frame it is; or not any more. */
  | { tell: 'point' }
  | { tell: 'unpoint' }
  | { tell: 'stop' }

/** From the panel to the background. */
export type FromPanel =
  | { panel: 'look' }
  | { panel: 'pair'; code: string }
  | { panel: 'unpair' }
  | { panel: 'start'; address: string; language: SentenceLanguage; target: RecordingTarget }
  | { panel: 'wish'; wish: BarWish }
  | { panel: 'hiding'; hiding: Hiding }
/** What the panel is told. */
export type PanelLook = {
  shown: Shown
  origin: string
  person: string
  /** A recording that was asked for in Jackdaw and waits for leave to look at pages. */
  asked: { address: string; language: SentenceLanguage; target: RecordingTarget } | null
  problem: string
}
