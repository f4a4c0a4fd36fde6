import * as z from 'zod/mini'
import { PictureId } from '../shared'
import type { Rect } from '../guides'
import { accepts } from '../flow'
import { nameOf, type Doing, type Spot } from './doing'

const Point = z.object({
  x: z.number().check(z.minimum(-10_000), z.maximum(100_000)),
  y: z.number().check(z.minimum(-10_000), z.maximum(100_000)),
})
const pointed = {
  pictureId: PictureId,
  /** With what it was pointed; fingers need more room. */
  by: z.enum(['mouse', 'touch']),
  /** How large a pixel of the stored picture was on the screen, in CSS pixels. */
  scale: z.number().check(z.minimum(0.05), z.maximum(20)),
}

/** What a person did at a step, as it is told. Places are in pixels of the stored picture. */
export const Act = z.discriminatedUnion('do', [
  z.object({ do: z.literal('click'), ...pointed, at: Point, how: z.enum(['once', 'double', 'right']) }),
  z.object({ do: z.literal('drag'), ...pointed, from: Point, to: Point }),
  /** Chosen from the list of elements instead of pointed at. */
  z.object({
    do: z.literal('pick'),
    name: z.string().check(z.maxLength(400)),
    how: z.enum(['once', 'double', 'right']),
    onto: z.optional(z.string().check(z.maxLength(400))),
  }),
  /** Entered in the field that was pointed at before. */
  z.object({ do: z.literal('enter'), entry: z.string().check(z.maxLength(2_000)) }),
  z.object({ do: z.literal('keys'), keys: z.string().check(z.maxLength(40)) }),
  z.object({ do: z.literal('press'), buttonId: z.string().check(z.maxLength(24)) }),
  /** Read, and gone on. */
  z.object({ do: z.literal('go-on') }),
])
/** Read by {@link Act}. */
export type Act = z.infer<typeof Act>

/** What came of an act. `part`: right so far. `wrong` says why. `idle`: nothing that counts. */
export type Verdict =
  | { is: 'right'; entry?: string }
  | { is: 'part'; placed?: true; found?: string }
  | { is: 'wrong'; why: 'elsewhere' | 'not-accepted' | 'other-keys' | 'other-button' }
  | { is: 'idle' }

/** How far a step has been done: the field was pointed at, and which of several elements were found. */
export type SoFar = { placed: boolean; found: readonly string[] }

/** Least size of what counts as the element on the screen, in CSS pixels: WCAG 2.2 target sizes (2.5.8, 2.5.5). */
export const LEAST_TARGET_PX = { mouse: 24, touch: 44 }
/** No picture is taken to be shown smaller than this, whatever is claimed: else everything would count as the element. */
const LEAST_SCALE = 0.2

/** What counts as the element: its area, made larger where it is small on the screen.
 * @param scale CSS pixels for a pixel of the picture */
export function targetArea(rect: Rect, scale: number, by: 'mouse' | 'touch'): Rect {
  const least = LEAST_TARGET_PX[by] / Math.max(scale, LEAST_SCALE)
  const [dx, dy] = [Math.max(0, least - rect.width) / 2, Math.max(0, least - rect.height) / 2]
  return { x: rect.x - dx, y: rect.y - dy, width: rect.width + 2 * dx, height: rect.height + 2 * dy }
}

type Pointed = { pictureId: string; by: 'mouse' | 'touch'; scale: number }
function hits(spot: Spot, at: { x: number; y: number }, { pictureId, by, scale }: Pointed): boolean {
  if (spot.pictureId !== pictureId) return false
  return [spot.rect, ...spot.labels].some((rect) => {
    const { x, y, width, height } = targetArea(rect, scale, by)
    return at.x >= x && at.x <= x + width && at.y >= y && at.y <= y + height
  })
}
/** Whether an act points at a spot, on the picture or in the list. */
function points(act: Act, spot: Spot): boolean {
  if (act.do === 'click') return hits(spot, act.at, act)
  return act.do === 'pick' && act.name === nameOf(spot)
}

const ELSEWHERE: Verdict = { is: 'wrong', why: 'elsewhere' }
const IDLE: Verdict = { is: 'idle' }

/** Keys in one way of writing: modifiers in order, then the key, in small letters. */
export function plainKeys(keys: string): string {
  const parts = keys.split('+').map((each) => each.trim().toLowerCase())
  const last = keys.endsWith('+') ? '+' : (parts.at(-1) ?? '')
  const named: Record<string, string> = {
    control: 'ctrl',
    command: 'meta',
    cmd: 'meta',
    option: 'alt',
    esc: 'escape',
    return: 'enter',
    ' ': 'space',
    del: 'delete',
  }
  const modifiers = parts.slice(0, -1).map((each) => named[each] ?? each)
  return [...['ctrl', 'alt', 'shift', 'meta'].filter((each) => modifiers.includes(each)), named[last] ?? last].join('+')
}

/** Judges one act at a step.
 * @param language of the person, BCP 47; `guideLanguage` that of the guide */
export function judge(doing: Doing, act: Act, soFar: SoFar, language: string, guideLanguage: string): Verdict {
  switch (doing.kind) {
    case 'nothing':
      return act.do === 'go-on' ? { is: 'right' } : IDLE
    case 'keys':
      if (act.do === 'keys') return plainKeys(act.keys) === plainKeys(doing.keys) ? { is: 'right' } : { is: 'wrong', why: 'other-keys' }
      return isPointing(act) ? ELSEWHERE : IDLE
    case 'click': {
      if (!isPointing(act)) return act.do === 'keys' ? { is: 'wrong', why: 'other-keys' } : IDLE
      if (act.do === 'drag' || !points(act, doing.on)) return ELSEWHERE
      if (act.how === doing.how) return { is: 'right' }
      // The first of two clicks is half of a double one; two where one is asked for do no harm.
      if (doing.how === 'double' && act.how === 'once') return { is: 'part' }
      return doing.how === 'once' && act.how === 'double' ? { is: 'right' } : ELSEWHERE
    }
    case 'enter':
      if (act.do === 'enter') {
        if (!soFar.placed) return IDLE
        return accepts(doing.accept, act.entry, language, guideLanguage)
          ? { is: 'right', entry: act.entry }
          : { is: 'wrong', why: 'not-accepted' }
      }
      if (isPointing(act))
        return act.do !== 'drag' && act.how !== 'right' && points(act, doing.on) ? { is: 'part', placed: true } : ELSEWHERE
      return act.do === 'keys' ? { is: 'wrong', why: 'other-keys' } : IDLE
    case 'drag':
      if (act.do === 'drag') return hits(doing.on, act.from, act) && hits(doing.onto, act.to, act) ? { is: 'right' } : ELSEWHERE
      if (act.do === 'pick') {
        if (act.name !== nameOf(doing.on)) return ELSEWHERE
        return act.onto === undefined ? { is: 'part' } : act.onto === nameOf(doing.onto) ? { is: 'right' } : ELSEWHERE
      }
      // To press on what is then dragged is no mistake.
      return act.do === 'click' ? (points(act, doing.on) ? { is: 'part' } : ELSEWHERE) : IDLE
    case 'several': {
      if (!isPointing(act)) return IDLE
      const spot = act.do === 'drag' ? undefined : doing.spots.find((each) => points(act, each))
      if (!spot) return ELSEWHERE
      if (soFar.found.includes(spot.id)) return { is: 'part' }
      return doing.spots.every((each) => each === spot || soFar.found.includes(each.id)) ? { is: 'right' } : { is: 'part', found: spot.id }
    }
    case 'pop-up': {
      if (act.do !== 'press') return IDLE
      const button = doing.buttons.find((each) => each.id === act.buttonId)
      if (!button) return IDLE
      return button.right ? { is: 'right' } : { is: 'wrong', why: 'other-button' }
    }
  }
}

const isPointing = (act: Act): act is Extract<Act, { do: 'click' | 'drag' | 'pick' }> =>
  act.do === 'click' || act.do === 'drag' || act.do === 'pick'
