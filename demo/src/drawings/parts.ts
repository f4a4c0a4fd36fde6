import { box, circle, path } from './pen'

export const STEEL = '#DDE3E6'
export const GREEN = '#9DBF8F'
export const RED = '#B3261E'

/** A valve with its spindle, its middle at a point. */
export const valve = (x: number, y: number): string =>
  path(`M ${x - 16} ${y - 12} L ${x + 16} ${y + 12} V ${y - 12} L ${x - 16} ${y + 12} Z`, { fill: '#FFFFFF' }) +
  path(`M ${x} ${y} v -22 M ${x - 12} ${y - 22} h 24`, { width: 4 })
/** A small gauge on its stem. `turn`: radians of its needle. */
export const gauge = (x: number, y: number, turn: number): string =>
  circle(x, y, 26, { fill: '#FFFFFF' }) +
  path(`M ${x} ${y} l ${18 * Math.cos(turn)} ${18 * Math.sin(turn)}`, { width: 3 }) +
  path(`M ${x} ${y + 26} v 24`, { width: 6 })
/** A padlock, the middle of its body at a point. */
export const padlock = (x: number, y: number): string =>
  path(`M ${x - 24} ${y - 30} v -26 a 24 24 0 0 1 48 0 v 26`, { width: 9 }) +
  box(x - 40, y - 32, 80, 70, { fill: RED, round: 8 }) +
  circle(x, y - 4, 8, { fill: '#FFFFFF' }) +
  path(`M ${x} ${y + 2} v 16`, { width: 5, stroke: '#FFFFFF' })
/** A seeding drum from the side, its left end at a point, with its end in a colour. */
export const drum = (x: number, y: number, end: string, step = 22): string =>
  box(x, y, 190, 110, { fill: '#EEF1F2', round: 10 }) +
  Array.from({ length: Math.floor(170 / step) * Math.floor(100 / step) }, (_, i) => {
    const across = Math.floor(170 / step)
    return circle(x + 16 + (i % across) * step, y + 18 + Math.floor(i / across) * step, 2.4, { fill: '#17212B' })
  }).join('') +
  box(x + 190, y + 8, 24, 94, { fill: end })
/** A large dial with numbers around it, and its needle on a value. */
export function dial(x: number, y: number, r: number, { most, value, every }: { most: number; value: number; every: number }): string {
  const turn = (of: number) => Math.PI * (0.75 + 1.5 * (of / most))
  const on = (of: number, far: number) => [x + far * Math.cos(turn(of)), y + far * Math.sin(turn(of))] as const
  let out = circle(x, y, r, { fill: '#FFFFFF', width: 4 })
  for (let of = 0; of <= most + 1e-9; of += every / 5) {
    const whole = Math.abs(of / every - Math.round(of / every)) < 1e-6
    const [from, to] = [on(of, r - 8), on(of, r - (whole ? 30 : 20))]
    out += path(`M ${from[0]} ${from[1]} L ${to[0]} ${to[1]}`, { width: whole ? 4 : 2 })
  }
  const [nx, ny] = on(value, r - 76)
  return out + path(`M ${x} ${y} L ${nx} ${ny}`, { width: 7, stroke: RED }) + circle(x, y, 14, { fill: '#17212B' })
}
/** The numbers of a {@link dial}, as places and words. */
export function dialNumbers(x: number, y: number, r: number, { most, every }: { most: number; every: number }): [number, number, string][] {
  return Array.from({ length: Math.floor(most / every) + 1 }, (_, n) => {
    const turn = Math.PI * (0.75 + 1.5 * ((n * every) / most))
    return [x + (r - 54) * Math.cos(turn), y + (r - 54) * Math.sin(turn) + 8, String(n * every)]
  })
}
