import { box, circle, INK, path, sheet, text } from './pen'

/** A film: a drawing for each moment, and what is heard. `share`: how far it is, from 0 to 1. */
export type Film = { seconds: number; at: (share: number) => string; clicks: readonly number[] }

/** How far a movement is that takes from one moment to another: slow at both ends. */
const moved = (share: number, from: number, until: number): number => {
  const part = Math.min(1, Math.max(0, (share - from) / (until - from)))
  return part * part * (3 - 2 * part)
}
const WOOD = '#D9C8A4'
const GREEN = '#7FA36B'
const SKIN = '#E3B58F'

/** A hand in a glove, pointing down, its fingertip at a place. */
const hand = (x: number, y: number): string =>
  path(`M ${x} ${y} q -16 -30 -14 -70 l -34 10 q -14 -60 20 -96 l 120 0 q 16 60 -10 120 l -44 10 q -8 20 -38 26 Z`, {
    fill: SKIN,
    width: 3,
  })

const herbs = (x: number, y: number, count: number): string =>
  Array.from({ length: count }, (_, n) => circle(x + n * 62, y + (n % 2) * 10, 34, { fill: GREEN, width: 2 })).join('')

/** A lid is folded over a crate and one latch is closed; the other stays open. */
const LATCHES: Film = {
  seconds: 6,
  clicks: [0.62],
  at: (share) => {
    const lid = moved(share, 0.05, 0.4)
    const latch = moved(share, 0.5, 0.62)
    const top = 150 + 110 * lid
    const handX = 300 + 40 * moved(share, 0.4, 0.5) + 420 * moved(share, 0.78, 0.98)
    const handY = 130 + 120 * lid + 30 * moved(share, 0.4, 0.62) - 180 * moved(share, 0.78, 0.98)
    return sheet(
      box(0, 470, 960, 130, { fill: '#E8ECEA', stroke: 'none' }) +
        box(210, 260, 540, 240, { fill: WOOD, width: 4 }) +
        [0, 1, 2, 3].map((n) => path(`M 210 ${312 + n * 48} H 750`, { width: 2 })).join('') +
        (lid < 1 ? herbs(262, 246, 8) : '') +
        path(`M 210 260 L ${210 + 60 * (1 - lid)} ${top - 100 * (1 - lid)} H ${750 + 60 * (1 - lid)} L 750 260 Z`, {
          fill: '#EADFC5',
          width: 4,
        }) +
        box(318, 250 + 18 * latch, 44, 44, { fill: latch === 1 ? '#5C6B78' : '#B9C3CB', width: 3, round: 4 }) +
        path('M 596 264 l 44 0 l 12 -36 l -44 0 Z', { fill: '#B9C3CB', width: 3 }) +
        text(318, 340, 'left', { size: 22 }) +
        text(596, 340, 'right', { size: 22 }) +
        hand(handX, handY),
      '#F7F5EF',
    )
  },
}

/** A label is taken by its edge, laid onto the corner of a tray and smoothed down. */
const LABEL: Film = {
  seconds: 5,
  clicks: [0.55],
  at: (share) => {
    const there = moved(share, 0.05, 0.5)
    const smoothed = moved(share, 0.55, 0.85)
    const [x, y] = [640 - 360 * there, 90 + 250 * there]
    return sheet(
      box(0, 500, 960, 100, { fill: '#E8ECEA', stroke: 'none' }) +
        box(180, 300, 600, 210, { fill: '#3E4B46', width: 4, round: 12 }) +
        Array.from({ length: 30 }, (_, n) =>
          circle(400 + (n % 10) * 38, 350 + Math.floor(n / 10) * 56, 14, { fill: '#6F8F5E', width: 1.5 }),
        ).join('') +
        box(x, y, 150, 92, { fill: '#FFFFFF', width: 3, round: 4 }) +
        text(x + 14, y + 34, 'Basil 24', { size: 24, bold: true }) +
        text(x + 14, y + 66, 'BS-0417', { size: 20, mono: true }) +
        (smoothed > 0 ? path(`M ${x + 10} ${y + 80} h ${130 * smoothed}`, { stroke: INK, width: 4 }) : '') +
        hand(x + 10 + 130 * smoothed, y + 6 + 70 * moved(share, 0.5, 0.55)),
      '#F7F5EF',
    )
  },
}

export const FILMS: Readonly<Record<string, Film>> = { 'crate-latches': LATCHES, 'label-on-tray': LABEL }
