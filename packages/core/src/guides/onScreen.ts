import * as z from 'zod/mini'
import { PictureId } from '../shared'

const text = (max: number) => z.string().check(z.maxLength(max))
const coordinate = z.number().check(z.minimum(-1_000_000), z.maximum(1_000_000))
const extent = z.number().check(z.minimum(0), z.maximum(1_000_000))

/** An area, from the top left corner. Whoever uses it says in which pixels. */
export const Rect = z.object({ x: coordinate, y: coordinate, width: extent, height: extent })
/** Read by {@link Rect}. */
export type Rect = z.infer<typeof Rect>

/** One way to find an element again. `weight` says how far it is to be trusted (0 to 1), `unique` whether it led to this element only. */
export const Locator = z.object({
  kind: z.enum([
    'test-id',
    'role-name-context',
    'id',
    'role-name',
    'label',
    'name-attribute',
    'placeholder',
    'href',
    'title',
    'text',
    'css',
    'path',
  ]),
  value: text(500),
  weight: z.number().check(z.minimum(0), z.maximum(1)),
  unique: z.boolean(),
})
/** Read by {@link Locator}. */
export type Locator = z.infer<typeof Locator>

/** What is done to an element on screen. */
export const Verb = z.enum([
  'select',
  'open-link',
  'open-menu',
  'double-click',
  'right-click',
  'type',
  'clear',
  'choose',
  'set',
  'tick',
  'untick',
  'drag',
  'press',
  'upload',
  'open',
  'back',
  'forward',
  'reload',
  'switch-tab',
])
/** Read by {@link Verb}. */
export type Verb = z.infer<typeof Verb>

/** The element that a step is about: where it stands in one of the step's pictures, and how it is found again in the application. */
export const StepElement = z.object({
  pictureId: PictureId,
  /** In pixels of the stored picture. */
  rect: Rect,
  /** Size of that picture in pixels. */
  of: z.object({ widthPx: z.int().check(z.minimum(1)), heightPx: z.int().check(z.minimum(1)) }),
  role: text(40),
  name: text(300),
  /** Where its labels stand, as far as they are no part of `rect`, in pixels of the stored picture. */
  labels: z.optional(z.array(Rect).check(z.maxLength(4))),
  frame: z.array(text(300)).check(z.maxLength(10)),
  locators: z.array(Locator).check(z.maxLength(16)),
})
/** Read by {@link StepElement}. */
export type StepElement = z.infer<typeof StepElement>

/** The action on screen that a step asks for. */
export const StepAction = z.object({
  verb: Verb,
  /** What is typed, chosen or set; absent where it was hidden. */
  value: z.optional(text(2_000)),
  /** Key with its modifiers, such as `Ctrl+S`. */
  key: z.optional(text(40)),
  page: z.object({ address: text(2_000), title: text(300), application: text(120) }),
  element: z.optional(StepElement),
  /** Where something is dragged to. */
  onto: z.optional(StepElement),
})
/** Read by {@link StepAction}. */
export type StepAction = z.infer<typeof StepAction>

/** Why the rules are not sure of a step that they wrote. */
export const Doubt = z.enum([
  'no-name',
  'odd-name',
  'long-name',
  'repeated-name',
  'hidden-name',
  'plain-area',
  'drawn-area',
  'vanished',
  'picture-uncertain',
  'no-picture',
])
/** Read by {@link Doubt}. */
export type Doubt = z.infer<typeof Doubt>

/** Says that an author should look at a step before it is published. */
export const StepCheck = z.object({
  /** How sure the rules are: 0 not at all, 1 entirely. */
  sureness: z.number().check(z.minimum(0), z.maximum(1)),
  doubts: z.array(Doubt).check(z.maxLength(10)),
  /** Pictures from about the same time, one of which may fit better. */
  otherPictures: z.array(PictureId).check(z.maxLength(4)),
})
/** Read by {@link StepCheck}. */
export type StepCheck = z.infer<typeof StepCheck>
