import * as z from 'zod/mini'
import { Locator, Rect } from '../guides'
import { idOf, Instant, MOST_WHOLE } from '../shared'
import { Glyph } from './glyph'

/** Id of a recording, made by the recorder. */
export const RecordingId = idOf('recording')
/** Read by {@link RecordingId}. */
export type RecordingId = z.infer<typeof RecordingId>
/** Id of a recorded action, made by the recorder; sending it again adds nothing. */
export const ActionId = idOf('action')
/** Read by {@link ActionId}. */
export type ActionId = z.infer<typeof ActionId>
/** Key of a picture within a recording. */
export const ShotId = idOf('shot')
/** Read by {@link ShotId}. */
export type ShotId = z.infer<typeof ShotId>

/** Most actions that a recording may hold. */
export const MAX_ACTIONS = 2_000
/** Most boxes of text that come with one action. */
export const MAX_TEXT_BOXES = 1_500

const text = (max: number) => z.string().check(z.maxLength(max))
const coordinate = z.number().check(z.minimum(-1_000_000), z.maximum(1_000_000))
const extent = z.number().check(z.minimum(0), z.maximum(1_000_000))

/** Kinds of private text. `password` is what nobody may ever read. */
export const PrivateKind = z.enum(['mail', 'phone', 'account', 'person', 'address', 'number', 'value', 'portrait', 'pointed', 'password'])
/** Read by {@link PrivateKind}. */
export type PrivateKind = z.infer<typeof PrivateKind>

/** What stands around an element and tells which of several alike it is. */
export const Surrounding = z.object({ kind: z.enum(['row', 'dialog', 'group', 'menu', 'list']), name: text(200) })
/** Read by {@link Surrounding}. */
export type Surrounding = z.infer<typeof Surrounding>

/** An element as the recorder saw it. */
export const ElementSeen = z.object({
  tag: text(80),
  role: text(40),
  /** Accessible name; empty when it has none. */
  name: text(300),
  /** Visible text. */
  text: text(300),
  /** Text that stands next to a nameless element. */
  nearby: z.optional(text(120)),
  inputType: z.optional(text(30)),
  rect: Rect,
  /** Frames from the outermost inwards; empty in the page itself. */
  frame: z.array(text(300)).check(z.maxLength(10)),
  inShadow: z.boolean(),
  around: z.array(Surrounding).check(z.maxLength(5)),
  locators: z.array(Locator).check(z.maxLength(16)),
  /** Whether pressing it opens something: the value of `aria-haspopup`. */
  opens: z.optional(text(20)),
  /** Whether it sends a form. */
  submits: z.optional(z.boolean()),
  /** What its picture shows. */
  glyph: z.optional(Glyph),
  /** It was out of sight, and the person scrolled this way until it was there. */
  scrolledTo: z.optional(z.enum(['down', 'up', 'left', 'right'])),
  /** Where the labels of a field stand that are no part of `rect`: a press on one is a press on the field. */
  labels: z.optional(z.array(Rect).check(z.maxLength(4))),
  /** The entries of the list from which is chosen, without those that hold something private. */
  options: z.optional(z.array(text(300)).check(z.maxLength(50))),
  /** Kinds of private text that were taken out of its name and text. */
  hid: z.optional(z.array(PrivateKind)),
})
/** Read by {@link ElementSeen}. */
export type ElementSeen = z.infer<typeof ElementSeen>

/** The page on which something was done. The values of its query are dropped before anything else is done with it. */
export const PageSeen = z.object({
  address: text(2_000),
  title: text(300),
  /** The most prominent heading of the page. */
  heading: text(300),
  /** What the page says the application is called; empty when it says nothing. */
  application: text(120),
  language: text(35),
})
/** Read by {@link PageSeen}. */
export type PageSeen = z.infer<typeof PageSeen>

/** Where a picture was taken: ahead while the page was at rest, at the press, or later; and whether it surely shows the state before. */
export const Shot = z.object({
  id: ShotId,
  widthPx: z.int().check(z.minimum(1), z.maximum(20_000)),
  heightPx: z.int().check(z.minimum(1), z.maximum(20_000)),
  source: z.enum(['ahead', 'press', 'later']),
  certain: z.boolean(),
})
/** Read by {@link Shot}. */
export type Shot = z.infer<typeof Shot>

/** A run of visible text and where it stood. */
export const TextBox = z.object({ rect: Rect, text: text(300) })
/** Read by {@link TextBox}. */
export type TextBox = z.infer<typeof TextBox>

/** What a person can do that is recorded. */
export const ActionKind = z.enum([
  'click',
  'double-click',
  'right-click',
  'type',
  'choose',
  'set',
  'tick',
  'drag',
  'key',
  'upload',
  'page',
  'back',
  'forward',
  'reload',
  'switch-tab',
  'scroll',
])
/** Read by {@link ActionKind}. */
export type ActionKind = z.infer<typeof ActionKind>

/** One thing that was done, as the recorder brings it home. Times are epoch milliseconds, lengths CSS pixels. */
export const RawAction = z.object({
  id: ActionId,
  kind: ActionKind,
  at: Instant,
  /** Which of the recorded tabs, counted from 0. */
  tab: z.int().check(z.minimum(0), z.maximum(1_000)),
  page: PageSeen,
  element: z.optional(ElementSeen),
  /** Where something was dragged to. */
  onto: z.optional(ElementSeen),
  /** How what was dragged lies to `onto` now; absent when it was only dropped there. */
  put: z.optional(z.enum(['above', 'below', 'left', 'right'])),
  /** Where the pointer was, in pixels of the window: told of what has no elements, such as a drawing. */
  point: z.optional(z.object({ x: coordinate, y: coordinate })),
  /** What was typed, chosen, set or uploaded; absent when it was hidden. */
  value: z.optional(text(2_000)),
  hidden: z.optional(PrivateKind),
  /** Of a check box or switch: its state afterwards. */
  ticked: z.optional(z.boolean()),
  /** Of a key: its name with the modifiers, such as `Ctrl+S`. */
  key: z.optional(text(40)),
  /** The action came from the keyboard. */
  byKeyboard: z.optional(z.boolean()),
  /** The pressed element left the page before the press was over. */
  vanished: z.optional(z.boolean()),
  /** How long the page was busy after the action before this one. */
  waitedMs: z.optional(z.int().check(z.minimum(0), z.maximum(MOST_WHOLE))),
  /** Of a scroll: by how much, and where it ended. */
  scrolled: z.optional(z.object({ fromY: coordinate, toY: coordinate })),
  /** Of a page: how it came to be opened. */
  opened: z.optional(z.enum(['typed', 'followed', 'reload', 'history'])),
  scroll: z.object({ x: coordinate, y: coordinate }),
  window: z.object({ width: extent, height: extent }),
  devicePixelRatio: z.number().check(z.minimum(0.1), z.maximum(10)),
  shot: z.optional(Shot),
  /** Further pictures from about the same time, for when `shot` is not certain. */
  otherShots: z.optional(z.array(Shot).check(z.maxLength(3))),
  textBoxes: z.optional(z.array(TextBox).check(z.maxLength(MAX_TEXT_BOXES))),
})
/** Read by {@link RawAction}. */
export type RawAction = z.infer<typeof RawAction>

/** Languages in which sentences are written. */
export const SentenceLanguage = z.enum(['en', 'pl', 'es', 'de'])
/** Read by {@link SentenceLanguage}. */
export type SentenceLanguage = z.infer<typeof SentenceLanguage>
