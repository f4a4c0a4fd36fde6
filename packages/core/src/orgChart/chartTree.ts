import { folded, type PersonId } from '../shared'
import { hierarchy, type HierarchyNode } from 'd3-hierarchy'

/** Somebody in the chart. `below`: how many report to them, at any depth. */
export type ChartPerson = {
  id: PersonId
  name: string
  jobTitle: string
  manager: ChartPerson | null
  reports: ChartPerson[]
  below: number
  depth: number
}
export type ChartRows = readonly (readonly [id: PersonId, name: string, jobTitle: string, manager: number])[]

/** The people of the chart from rows in which managers come first.
 * @returns those at the top */
export function chartOf(rows: ChartRows): { tops: ChartPerson[]; all: Map<PersonId, ChartPerson> } {
  const people = rows.map(([id, name, jobTitle]): ChartPerson => ({ id, name, jobTitle, manager: null, reports: [], below: 0, depth: 0 }))
  const tops: ChartPerson[] = []
  rows.forEach(([, , , at], place) => {
    const person = people[place]!
    const manager = people[at]
    if (!manager) return void tops.push(person)
    person.manager = manager
    person.depth = manager.depth + 1
    manager.reports.push(person)
  })
  for (const person of [...people].reverse()) if (person.manager) person.manager.below += person.below + 1
  // Those to whom others report come first; else they stay by name.
  for (const list of [tops, ...people.map(({ reports }) => reports)]) list.sort((a, b) => Number(b.below > 0) - Number(a.below > 0))
  return { tops, all: new Map(people.map((person) => [person.id, person])) }
}

/** Everybody above somebody, from the nearest on. */
export function above(person: ChartPerson): ChartPerson[] {
  const all: ChartPerson[] = []
  for (let at = person.manager; at; at = at.manager) all.push(at)
  return all
}

/** Who is open at first: those at the top, and those below them as long as all of it can be looked over. */
export function openAtFirst(tops: readonly ChartPerson[], most = 30): Set<PersonId> {
  const open = new Set(tops.map(({ id }) => id))
  let shown = tops.reduce((sum, top) => sum + 1 + top.reports.length, 0)
  for (const person of tops.flatMap((top) => top.reports)) {
    if (person.reports.length === 0 || shown + person.reports.length > most) continue
    open.add(person.id)
    shown += person.reports.length
  }
  return open
}

/** People whose name or job title holds all words, at most `most`. */
export function findInChart(all: Iterable<ChartPerson>, find: string, most = 12): ChartPerson[] {
  const words = folded(find).split(/\s+/).filter(Boolean)
  const found: ChartPerson[] = []
  if (words.length === 0) return found
  for (const person of all) {
    const sought = folded(`${person.name} ${person.jobTitle}`)
    if (words.every((word) => sought.includes(word))) found.push(person)
    if (found.length === most) break
  }
  return found
}

/** Sizes of the drawing in pixels. */
export const CHART = { boxWidth: 214, boxHeight: 44, rowHeight: 54, columnWidth: 262, margin: 16 } as const

/** Somebody in the drawing: where the upper left corner of their box is, and whether those below are shown. */
export type Placed = { person: ChartPerson; x: number; y: number; open: boolean; from: { x: number; y: number } | null }
/** The drawing of what is open: from left to right, each manager beside the first of those who report to them. */
export type ChartLayout = { placed: Placed[]; widthPx: number; heightPx: number }

/** Places everybody who is shown.
 * @param open whose reports are shown */
export function layoutChart(tops: readonly ChartPerson[], open: ReadonlySet<PersonId>): ChartLayout {
  const { boxWidth, boxHeight, rowHeight, columnWidth, margin } = CHART
  const root = hierarchy<ChartPerson | null>(null, (person) => (person === null ? [...tops] : open.has(person.id) ? person.reports : []))
  // Whoever has nobody below begins a row; a manager stands in the row of the first of them, where those below come into sight.
  const rows = new Map<HierarchyNode<ChartPerson | null>, number>()
  let row = 0
  root.eachAfter((node) => rows.set(node, node.children?.[0] ? rows.get(node.children[0])! : row++))
  const at = (node: HierarchyNode<ChartPerson | null>) => ({
    x: margin + (node.depth - 1) * columnWidth,
    y: margin + rows.get(node)! * rowHeight,
  })
  const placed = root.descendants().flatMap((node): Placed[] => {
    const { data: person, parent } = node
    return person ? [{ person, ...at(node), open: open.has(person.id), from: parent?.data ? at(parent) : null }] : []
  })
  return {
    placed,
    widthPx: placed.reduce((most, { x }) => Math.max(most, x), 0) + boxWidth + margin,
    heightPx: placed.reduce((most, { y }) => Math.max(most, y), 0) + boxHeight + margin,
  }
}

/** The line from a manager to somebody who reports to them. */
export function lineTo({ x, y, from }: Placed): string | null {
  if (!from) return null
  const { boxWidth, boxHeight, columnWidth } = CHART
  const middle = boxHeight / 2
  const turn = from.x + boxWidth + (columnWidth - boxWidth) / 2
  return `M${from.x + boxWidth} ${from.y + middle}H${turn}V${y + middle}H${x}`
}

const escaped = (text: string): string => text.replace(/[<>&"]/g, (sign) => `&#${sign.charCodeAt(0)};`)
/** Words cut so that they fit into a box. */
const fitting = (text: string, letters: number): string => (text.length > letters ? `${text.slice(0, letters - 1)}…` : text)

/** The drawing as a file of its own, SVG. */
export function chartAsSvg({ placed, widthPx, heightPx }: ChartLayout, title: string): string {
  const { boxWidth, boxHeight } = CHART
  const lines = placed.map((each) => lineTo(each)).filter((line) => line !== null)
  const boxes = placed.map(({ person, x, y, open }) => {
    const more = person.reports.length > 0 && !open ? ` (${person.below})` : ''
    return `<g transform="translate(${x} ${y})"><rect width="${boxWidth}" height="${boxHeight}" fill="#fff" stroke="#7A8794"/><text x="10" y="18" font-weight="600">${escaped(fitting(person.name + more, 30))}</text><text x="10" y="35" font-size="12" fill="#4A5662">${escaped(fitting(person.jobTitle, 34))}</text></g>`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}" viewBox="0 0 ${widthPx} ${heightPx}" font-family="Source Sans 3, Source Sans Pro, Arial, sans-serif" font-size="14" fill="#17212B"><title>${escaped(title)}</title><rect width="100%" height="100%" fill="#fff"/><path d="${lines.join('')}" fill="none" stroke="#7A8794"/>${boxes.join('')}</svg>`
}
