import type { SignId } from '../../guides'
import { PICTOGRAMS, type Stroke } from './pictograms'

/** The meaning of a sign's shape and colour (ISO 3864-1). */
export type SignKind = 'mandatory' | 'warning' | 'prohibition' | 'safe-condition' | 'fire-equipment'
const KINDS = { M: 'mandatory', W: 'warning', P: 'prohibition', E: 'safe-condition', F: 'fire-equipment' } as const
/** The kind of a sign, which gives its shape and colour (ISO 3864-1). */
export const signKind = (id: SignId): SignKind => KINDS[id[0] as keyof typeof KINDS]

// Safety colours of ISO 3864-4, as they are given there for screens and print.
const BLUE = '#005387'
const YELLOW = '#f9a800'
const RED = '#9b2423'
const GREEN = '#237f52'
const BLACK = '#1a1a1a'
const WHITE = '#ffffff'

/** A part of a sign, in a field of 100 by 100; `placed`: how it is made smaller, and then moved. */
export type SignPart = { d: string; fill?: string; stroke?: string; widthPx?: number; placed?: { scale: number; x: number; y: number } }

const TRIANGLE = 'M50 7.5c1.6 0 2.9.8 3.7 2.2l42 73c1.7 3-.4 6.5-3.7 6.5H8c-3.3 0-5.4-3.5-3.7-6.5l42-73c.8-1.4 2.1-2.2 3.7-2.2z'
const disc = (r: number): string => `M${50 - r} 50a${r} ${r} 0 1 1 ${2 * r} 0a${r} ${r} 0 1 1 ${-2 * r} 0z`

const GROUNDS: Record<SignKind, { ink: string; ground: string; below: SignPart[]; above: SignPart[] }> = {
  mandatory: { ink: WHITE, ground: BLUE, below: [{ d: disc(49), fill: BLUE }], above: [] },
  warning: {
    ink: BLACK,
    ground: YELLOW,
    below: [
      { d: TRIANGLE, fill: BLACK },
      { d: 'M50 16L89 83.5H11z', fill: YELLOW },
    ],
    above: [],
  },
  prohibition: {
    ink: BLACK,
    ground: WHITE,
    below: [{ d: disc(49), fill: WHITE }],
    above: [
      { d: disc(44), stroke: RED, widthPx: 10 },
      { d: 'M19 19L81 81', stroke: RED, widthPx: 8.5 },
    ],
  },
  'safe-condition': { ink: WHITE, ground: GREEN, below: [{ d: 'M1 1h98v98H1z', fill: GREEN }], above: [] },
  'fire-equipment': { ink: WHITE, ground: RED, below: [{ d: 'M1 1h98v98H1z', fill: RED }], above: [] },
}

/** Pictograms are a little smaller where the ground leaves less room: in the triangle and in the ring. */
const SMALLER: Partial<Record<SignKind, NonNullable<SignPart['placed']>>> = {
  warning: { scale: 0.84, x: 8, y: 13.44 },
  prohibition: { scale: 0.84, x: 8, y: 8 },
}

/** A sign as paths, those below first. */
export function signParts(id: SignId): SignPart[] {
  const { ink, ground, below, above } = GROUNDS[signKind(id)]
  const part = ([how, d, widthPx = 3]: Stroke): SignPart => {
    const colour = how.startsWith('g') ? ground : ink
    const placed = SMALLER[signKind(id)]
    return { d, ...(how.endsWith('f') ? { fill: colour } : { stroke: colour, widthPx }), ...(placed ? { placed } : {}) }
  }
  return [...below, ...PICTOGRAMS[id].map(part), ...above]
}
