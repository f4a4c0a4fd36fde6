import { nth } from '../shared'
import type { Rect } from '../guides'
import { cross, distance, grown, holds, middleOf, overlap, shareInside, type Point, type Size } from './geometry'
import { leaderOf } from './leader'

/** A side of the thing that a label speaks of. */
export type Side = 'left' | 'right' | 'top' | 'bottom'

/** A label to be placed: its dot, the size of its slip, and where its author has put it, if so. In pixels of the picture. */
export type LabelToPlace = { id: string; dot: Point; size: Size; fixed?: Rect | undefined }
/** What labels are placed among. */
export type Among = {
  /** The shown part of the picture: slips stay inside. */
  bounds: Rect
  /** What no slip may cover: elements and other annotations. */
  obstacles: readonly Rect[]
  /** Pixels of the picture for one at the reading width. */
  unit: number
  /** Side on which the labels of the step before stand. */
  prefer?: Side | undefined
}

/** As {@link Among}, with the dots of the other labels, which no slip may cover either. */
type Within = Among & { dots: readonly Rect[] }
type Spot = { slip: Rect; leader: readonly Point[]; cost: number }

// Directions in which a slip is tried around its dot, nearest first, in pixels at the reading width.
const DISTANCES = [22, 36, 56, 84, 120, 170, 240]
const DIRECTIONS = 16
// What counts how much, in pixels of leader at the reading width.
const WRONG_SIDE = 26
const BENT = 8
const ANYWHERE = 150
const OVER_THING = 4
const COVERS = 100_000
const CROSSES = 2_500
const THROUGH_SLIP = 1_500
const SLIP_GAP = 6
const THING_GAP = 3
const ROUNDS = 4
const ATTEMPTS = 5

/** On which side of its dot a slip stands. */
export function sideOf(slip: Rect, dot: Point): Side {
  const middle = middleOf(slip)
  // Measured from the edges, so that a wide slip above its dot does not count as beside it.
  const across = Math.max(slip.x - dot.x, dot.x - slip.x - slip.width)
  const down = Math.max(slip.y - dot.y, dot.y - slip.y - slip.height)
  if (across > down) return middle.x > dot.x ? 'right' : 'left'
  return middle.y > dot.y ? 'bottom' : 'top'
}

type Tried = { slip: Rect; far: boolean }

/** Places around the dot. */
function slipsAround({ dot, size }: LabelToPlace, { unit }: Among): Tried[] {
  const slips: Tried[] = []
  const at = (x: number, y: number) => slips.push({ slip: { x: x - size.width / 2, y: y - size.height / 2, ...size }, far: false })
  for (const far of DISTANCES)
    for (let turn = 0; turn < DIRECTIONS; turn++) {
      const angle = (turn * 2 * Math.PI) / DIRECTIONS
      const [x, y] = [Math.cos(angle), Math.sin(angle)]
      const beside = (share: number) => (Math.abs(share) < 0.1 ? 0 : Math.sign(share))
      const steep = Math.abs(y) > 0.8
      const flat = Math.abs(x) > 0.8
      at(
        dot.x + x * far * unit + (steep && !flat ? beside(x) * 0.25 : beside(x) * 0.5) * size.width,
        dot.y + y * far * unit + (flat ? 0 : beside(y) * 0.5) * size.height,
      )
    }
  return slips
}

/** Places all over the picture, for when it is full around the dot. */
function slipsAnywhere({ size }: LabelToPlace, { bounds, unit }: Among): Tried[] {
  const slips: Tried[] = []
  const at = (x: number, y: number) => slips.push({ slip: { x: x - size.width / 2, y: y - size.height / 2, ...size }, far: true })
  const [stepX, stepY] = [Math.max(size.width * 0.45, bounds.width / 14), Math.max(size.height * 0.75, bounds.height / 18)]
  for (let y = bounds.y + size.height / 2 + unit; y <= bounds.y + bounds.height - size.height / 2; y += stepY)
    for (let x = bounds.x + size.width / 2 + unit; x <= bounds.x + bounds.width - size.width / 2; x += stepX) at(x, y)
  return slips
}

function spotOf({ slip, far }: Tried, { dot }: LabelToPlace, { obstacles, dots, unit, prefer }: Within): Spot {
  const leader = leaderOf(slip, dot, unit)
  let length = 0
  for (let i = 1; i < leader.length; i++) length += distance(nth(leader, i - 1), nth(leader, i))
  let cost = length / unit + (leader.length > 2 ? BENT : 0) + (far ? ANYWHERE : 0)
  if (leader.length === 1) cost += COVERS
  if (prefer && sideOf(slip, dot) !== prefer) cost += WRONG_SIDE
  const roomy = grown(slip, THING_GAP * unit)
  for (const thing of obstacles) {
    const covered = overlap(roomy, thing)
    if (covered > 0) cost += COVERS + covered / (unit * unit)
    for (let i = 1; i < leader.length; i++) {
      const [from, to] = [nth(leader, i - 1), nth(leader, i)]
      cost += (shareInside(from, to, thing) * distance(from, to) * OVER_THING) / unit
    }
  }
  for (const place of dots) if (overlap(roomy, place) > 0) cost += COVERS
  return { slip, leader, cost }
}

function costBetween(a: Spot, b: Spot, unit: number): number {
  let cost = 0
  const covered = overlap(grown(a.slip, SLIP_GAP * unit), b.slip)
  if (covered > 0) cost += COVERS + covered / (unit * unit)
  for (let i = 1; i < a.leader.length; i++) {
    const [from, to] = [nth(a.leader, i - 1), nth(a.leader, i)]
    if (shareInside(from, to, b.slip) > 0) cost += THROUGH_SLIP
    for (let j = 1; j < b.leader.length; j++) if (cross(from, to, nth(b.leader, j - 1), nth(b.leader, j))) cost += CROSSES
  }
  for (let j = 1; j < b.leader.length; j++) if (shareInside(nth(b.leader, j - 1), nth(b.leader, j), a.slip) > 0) cost += THROUGH_SLIP
  return cost
}

function spotsFrom(slips: readonly Tried[], label: LabelToPlace, within: Within): Spot[] {
  return slips
    .filter(({ slip }) => holds(within.bounds, slip))
    .map((each) => spotOf(each, label, within))
    .sort((a, b) => a.cost - b.cost)
}
function spotsFor(label: LabelToPlace, within: Within): Spot[] {
  if (label.fixed) return [spotOf({ slip: label.fixed, far: false }, label, { ...within, obstacles: [], dots: [] })]
  return spotsFrom(slipsAround(label, within), label, within)
}
/** With those all over the picture; a label larger than the picture starts at its corner. */
function moreSpotsFor(label: LabelToPlace, within: Within, near: readonly Spot[]): Spot[] {
  const { bounds } = within
  const more = [...near, ...spotsFrom(slipsAnywhere(label, within), label, within)].sort((a, b) => a.cost - b.cost)
  return more.length > 0 ? more : [spotOf({ slip: { x: bounds.x, y: bounds.y, ...label.size }, far: true }, label, within)]
}

/** Places labels so that they cover neither what they speak of nor each other, stay inside, and keep their leaders short and uncrossed.
 * Whoever is moved by hand stays there and the others make way. The same input gives the same answer.
 * @returns the slip of every label, by its id, in pixels of the picture */
export function placeLabels(labels: readonly LabelToPlace[], among: Among): Map<string, Rect> {
  const dots = labels.map(({ dot }) => grown({ ...dot, width: 0, height: 0 }, 5 * among.unit))
  const withins = labels.map((_, own): Within => ({ ...among, dots: dots.filter((_dot, index) => index !== own) }))
  const near = labels.map((label, own) => spotsFor(label, nth(withins, own)))
  // Computed only where there is no room around a dot: most pictures never need them.
  const whole: (Spot[] | undefined)[] = labels.map(() => undefined)
  const all = (own: number): Spot[] => (whole[own] ??= moreSpotsFor(nth(labels, own), nth(withins, own), nth(near, own)))
  const chosen: (Spot | undefined)[] = near.map((spots, i) => (nth(labels, i).fixed ? spots[0] : undefined))
  const total = (spot: Spot, own: number, limit: number): number => {
    let cost = spot.cost
    for (let other = 0; other < chosen.length && cost < limit; other++) {
      const placed = chosen[other]
      if (other !== own && placed) cost += costBetween(spot, placed, among.unit)
    }
    return cost
  }
  const bestOf = (spots: readonly Spot[], own: number): { spot: Spot | undefined; cost: number } => {
    let [best, least] = [spots[0], Infinity]
    for (const spot of spots) {
      if (spot.cost >= least) break
      const cost = total(spot, own, least)
      if (cost < least - 1e-9) [best, least] = [spot, cost]
    }
    return { spot: best, cost: least }
  }
  /** Gives everybody the best spot among the others until nobody moves. @returns those that still cover something */
  const settle = (order: readonly number[]): number[] => {
    let stuck: number[] = []
    for (let round = 0; round < ROUNDS; round++) {
      let moved = false
      stuck = []
      for (const own of order) {
        let found = bestOf(nth(near, own), own)
        if (found.cost >= CROSSES) found = bestOf(all(own), own)
        if (found.cost >= COVERS) stuck.push(own)
        if (found.spot !== chosen[own]) moved = true
        chosen[own] = found.spot
      }
      if (!moved) break
    }
    return stuck
  }
  let order = labels.map((_, i) => i).filter((i) => !nth(labels, i).fixed)
  for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
    const stuck = settle(order)
    if (stuck.length === 0) break
    // Whoever found no room comes first the next time, and the others make way.
    order = [...stuck, ...order.filter((own) => !stuck.includes(own))]
    for (const own of order) chosen[own] = undefined
    if (attempt === ATTEMPTS - 2) order = [...order].sort((x, y) => nth(all(y), 0).cost - nth(all(x), 0).cost)
  }
  for (const own of order) chosen[own] ??= bestOf(all(own), own).spot
  return new Map(labels.map((label, i) => [label.id, (chosen[i] ?? nth(all(i), 0)).slip]))
}
