/** Width and height of every drawing, in pixels. */
export const WIDTH = 960
export const HEIGHT = 600

export const INK = '#17212B'

type Look = { fill?: string; stroke?: string; width?: number; round?: number; dash?: string }
const look = ({ fill = 'none', stroke = INK, width = 2, dash }: Look): string =>
  `fill="${fill}" stroke="${stroke}" stroke-width="${width}"${dash ? ` stroke-dasharray="${dash}"` : ''}`
const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;')

export const box = (x: number, y: number, w: number, h: number, how: Look = {}): string =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="${how.round ?? 0}" ${look(how)}/>`
export const circle = (x: number, y: number, r: number, how: Look = {}): string => `<circle cx="${x}" cy="${y}" r="${r}" ${look(how)}/>`
export const path = (d: string, how: Look = {}): string => `<path d="${d}" ${look(how)} stroke-linejoin="round" stroke-linecap="round"/>`
export const text = (
  x: number,
  y: number,
  words: string,
  how: { size?: number; bold?: boolean; fill?: string; middle?: boolean; mono?: boolean } = {},
): string =>
  `<text x="${x}" y="${y}" font-size="${how.size ?? 18}" font-weight="${how.bold ? 650 : 420}" fill="${how.fill ?? INK}"${how.middle ? ' text-anchor="middle"' : ''}${how.mono ? ' font-family="Source Code Pro Variable"' : ''}>${escaped(words)}</text>`
/** A name beside a part, with a leader line that ends in a dot on it. */
export const name = (x: number, y: number, words: string, toX: number, toY: number): string => {
  const right = toX > x
  return (
    path(`M ${right ? x + words.length * 12.8 + 10 : x - 8} ${y - 9} L ${toX} ${toY}`, { width: 1.5 }) +
    circle(toX, toY, 4, { fill: INK }) +
    text(x, y, words, { size: 26 })
  )
}
export const sheet = (inner: string, background = '#FFFFFF'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 ${WIDTH} ${HEIGHT}" font-family="'Source Sans 3 Variable'">${box(0, 0, WIDTH, HEIGHT, { fill: background, stroke: 'none' })}${inner}</svg>`

const AREAS = ['Orders', 'Standing orders', 'Customers', 'Stock', 'Deliveries']

/** A page of the Order Book. */
export function orderBook(area: string, inner: string): string {
  let x = 190
  const bar = AREAS.map((each) => {
    const word = text(x, 43, each, { size: 17, bold: each === area, fill: each === area ? '#FFFFFF' : '#C9D6CC' })
    const mark = each === area ? box(x, 54, each.length * 8.4, 4, { fill: '#D8E36B', stroke: 'none' }) : ''
    x += each.length * 8.6 + 34
    return word + mark
  }).join('')
  return sheet(
    box(0, 0, WIDTH, 64, { fill: '#2F4A3A', stroke: 'none' }) +
      text(28, 43, 'Order Book', { size: 22, bold: true, fill: '#FFFFFF' }) +
      bar +
      inner,
    '#F6F4EE',
  )
}
export const button = (x: number, y: number, w: number, words: string, strong = false): string =>
  box(x, y, w, 40, { fill: strong ? '#2F4A3A' : '#FFFFFF', stroke: '#2F4A3A', width: 1.5, round: 3 }) +
  text(x + w / 2, y + 26, words, { size: 17, bold: true, fill: strong ? '#FFFFFF' : '#2F4A3A', middle: true })
export function table(x: number, y: number, columns: readonly [string, number][], rows: readonly (readonly string[])[]): string {
  const width = columns.reduce((sum, [, w]) => sum + w, 0)
  let out = box(x, y, width, 38, { fill: '#E4E7DF', stroke: 'none' })
  let left = x
  columns.forEach(([head, w], column) => {
    out += text(left + 12, y + 25, head, { size: 15, bold: true })
    rows.forEach(
      (row, index) =>
        (out += text(left + 12, y + 38 + index * 42 + 27, row[column] ?? '', { size: 17, mono: /^\d[\d-]+$/.test(row[column] ?? '') })),
    )
    left += w
  })
  rows.forEach((_, index) => (out += path(`M ${x} ${y + 80 + index * 42} h ${width}`, { stroke: '#C8CDBF', width: 1 })))
  return out
}
