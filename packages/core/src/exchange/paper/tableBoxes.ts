import { nth } from '../../shared'
import type { Block, TableCell } from '../../guides'
import { addPart, type Part } from './part'
import { rectPath, shifted, type Box, type Placed } from './box'
import { breakLines, type Piece } from './lines'
import { piecesOf, type Setting } from './pieces'

type Table = Extract<Block, { type: 'table' }>
/** A cell in its place on the grid. */
type GridCell = { cell: TableCell; row: number; column: number; columns: number; rows: number }
type Room = { x: number; widthPt: number; beforePt: number; strong?: boolean }
/** Sets what stands in a cell. */
type SetBlocks = (blocks: readonly Block[], setting: Setting, within: Part, room: Room) => Box[]

const PADDING_PT = 4
const LINE = '#aab4bd'
/** Sizes of type that are tried, in shares of the text's, before a table is cut into several. */
const SMALLER = [0.92, 0.84, 0.76] as const
/** A column narrower than this is no column any more. */
const LEAST_COLUMN_PT = 26

/** The cells of a table on its grid: those that span several places push the others aside (as in HTML). */
export function gridOf(table: Table): { cells: GridCell[]; columns: number } {
  const taken = new Set<string>()
  const cells: GridCell[] = []
  let columns = 0
  const last = table.content.length
  table.content.forEach((row, at) => {
    let column = 0
    for (const cell of row.content) {
      while (taken.has(`${at} ${column}`)) column++
      const wide = cell.attrs?.colspan ?? 1
      const high = Math.min(cell.attrs?.rowspan ?? 1, last - at)
      for (let r = 0; r < high; r++) for (let c = 0; c < wide; c++) taken.add(`${at + r} ${column + c}`)
      cells.push({ cell, row: at, column, columns: wide, rows: high })
      column += wide
      columns = Math.max(columns, column)
    }
  })
  return { cells, columns }
}

/** Longest word and longest line of a cell, in points. */
function widthsOf(cell: TableCell, setting: Setting): { least: number; most: number } {
  const pieces = (blocks: readonly Block[]): Piece[][] =>
    blocks.flatMap((block): Piece[][] => {
      switch (block.type) {
        case 'paragraph':
          return [piecesOf(block.content, setting, cell.type === 'tableHeader')]
        case 'codeBlock':
          return [(block.content ?? []).map((node) => ({ words: node.text, style: setting.body }))]
        case 'bulletList':
        case 'orderedList':
          return block.content.flatMap((item) => pieces(item.content)).map((line) => [{ words: '• – ', style: setting.body }, ...line])
        case 'table':
          return block.content.map((row) => row.content.flatMap((each) => pieces(each.content).flat()))
      }
    })
  const lines = pieces(cell.content)
  const widest = (width: number) =>
    Math.max(0, ...lines.flatMap((line) => breakLines(line, setting.type, width).map((each) => each.widthPt)))
  const words = lines.flatMap((line) =>
    line.flatMap(({ words, style }) => words.split(/\s+/).map((word) => setting.type.widthOf(word, style.font) * style.sizePt)),
  )
  const most = widest(10_000)
  return { least: Math.min(Math.max(0, ...words), 140) + 2 * PADDING_PT, most: most + 2 * PADDING_PT + 0.5 }
}

/** Shares room among columns: all they wish where there is enough, else each at least its longest word.
 * @returns `null` where not even that fits */
export function columnWidths(wishes: readonly { least: number; most: number }[], widthPt: number): number[] | null {
  const sum = (by: 'least' | 'most') => wishes.reduce((total, each) => total + each[by], 0)
  if (sum('most') <= widthPt) return wishes.map((each) => each.most)
  const least = sum('least')
  if (least > widthPt) return null
  const more = sum('most') - least
  return wishes.map((each) => each.least + ((each.most - each.least) / more) * (widthPt - least))
}

/** The wishes of columns, from cells that stand in one; what spans several is shared among them. */
function wishesOf(cells: readonly GridCell[], columns: number, setting: Setting): { least: number; most: number }[] {
  const wishes = Array.from({ length: columns }, () => ({ least: LEAST_COLUMN_PT, most: LEAST_COLUMN_PT }))
  for (const { cell, column, columns: wide } of cells) {
    const { least, most } = widthsOf(cell, setting)
    for (let c = column; c < column + wide; c++) {
      const wish = nth(wishes, c)
      wish.least = Math.max(wish.least, least / wide)
      wish.most = Math.max(wish.most, most / wide)
    }
  }
  return wishes.map(({ least, most }) => ({ least, most: Math.max(least, most) }))
}

/** Columns of a table that is wider than a page, in parts that are not. */
function partsOf(wishes: readonly { least: number }[], widthPt: number): { from: number; to: number }[] {
  const parts: { from: number; to: number }[] = []
  let from = 0
  let width = 0
  wishes.forEach(({ least }, at) => {
    if (at > from && width + least > widthPt) {
      parts.push({ from, to: at })
      from = at
      width = 0
    }
    width += least
  })
  return [...parts, { from, to: wishes.length }]
}

/** What of the cells stands between two columns. */
const cellsBetween = (cells: readonly GridCell[], from: number, to: number): GridCell[] =>
  cells.flatMap((each) => {
    const first = Math.max(each.column, from)
    const end = Math.min(each.column + each.columns, to)
    return first < end ? [{ ...each, column: first - from, columns: end - first }] : []
  })

/** Sets a table: a box for each row, the head once more on every page. Where it does not fit, smaller; where it still does not, in several
 * tables one under another. */
export function tableBoxes(table: Table, setting: Setting, within: Part, room: Room, setBlocks: SetBlocks): Box[] {
  const { cells, columns } = gridOf(table)
  for (const share of SMALLER) {
    const smaller = {
      ...setting,
      body: { ...setting.body, sizePt: setting.body.sizePt * share, leadingPt: setting.body.leadingPt * share },
    }
    const wishes = wishesOf(cells, columns, smaller)
    const widths = columnWidths(wishes, room.widthPt)
    if (widths) return rowsOf(cells, widths, table.content.length, smaller, within, room, setBlocks)
    if (share !== SMALLER.at(-1)) continue
    return partsOf(wishes, room.widthPt).flatMap(({ from, to }, n) => {
      const some = wishes.slice(from, to)
      const narrow = some.map((each) => ({ least: Math.min(each.least, room.widthPt), most: each.most }))
      const here = { ...room, beforePt: n === 0 ? room.beforePt : 10 }
      return rowsOf(
        cellsBetween(cells, from, to),
        columnWidths(narrow, room.widthPt) ?? narrow.map(() => room.widthPt / narrow.length),
        table.content.length,
        smaller,
        within,
        here,
        setBlocks,
      )
    })
  }
  return []
}

type Set = GridCell & { part: Part; boxes: Box[]; heightPt: number; x: number; widthPt: number }

/** Stacks boxes in a cell. */
function stacked(boxes: readonly Box[]): { placed: Placed[]; heightPt: number } {
  let y = PADDING_PT
  const placed = boxes.flatMap((box, n) => {
    y += n === 0 ? 0 : box.beforePt
    const here = box.placed.map((each) => shifted(each, 0, y))
    y += box.heightPt
    return here
  })
  return { placed, heightPt: y + PADDING_PT }
}

function rowsOf(
  cells: readonly GridCell[],
  widths: readonly number[],
  rows: number,
  setting: Setting,
  within: Part,
  room: Room,
  setBlocks: SetBlocks,
): Box[] {
  const part = addPart(within, 'Table')
  const rowParts = Array.from({ length: rows }, () => addPart(part, 'TR'))
  const left = (column: number) => room.x + widths.slice(0, column).reduce((sum, each) => sum + each, 0)
  const widthOf = (column: number, count: number) => widths.slice(column, column + count).reduce((sum, each) => sum + each, 0)
  const set = cells.map((each): Set => {
    const tag = each.cell.type === 'tableHeader' ? 'TH' : 'TD'
    const cellPart = addPart(nth(rowParts, each.row), tag, {
      ...(each.columns > 1 ? { columns: each.columns } : {}),
      ...(each.rows > 1 ? { rows: each.rows } : {}),
    })
    const [x, widthPt] = [left(each.column), widthOf(each.column, each.columns)]
    const boxes = setBlocks(each.cell.content, setting, cellPart, {
      x: x + PADDING_PT,
      widthPt: widthPt - 2 * PADDING_PT,
      beforePt: 0,
      strong: tag === 'TH',
    })
    return { ...each, part: cellPart, boxes, heightPt: stacked(boxes).heightPt, x, widthPt }
  })
  const heights = heightsOf(set, rows)
  const head = headOf(set)
  const out: Box[] = []
  for (let row = 0; row < rows; row++) {
    const own = set.filter((each) => each.row === row)
    const spans = set.some((each) => each.row <= row && each.row + each.rows - 1 > row)
    const height = (each: Set) => heights.slice(row, row + each.rows).reduce((sum, one) => sum + one, 0)
    const boxes =
      nth(heights, row) > setting.pageHeightPt ? cutRow(own, setting.pageHeightPt * 0.9) : [rowBox(own, nth(heights, row), height)]
    boxes.forEach((box, n) =>
      out.push({ ...box, beforePt: row === 0 && n === 0 ? room.beforePt + 2 : 0, ...(spans || row < head ? { keep: true } : {}) }),
    )
  }
  return withHead(out, head)
}

/** Heights of rows: each as high as its highest cell; what spans several makes the last of them higher. */
function heightsOf(set: readonly Set[], rows: number): number[] {
  const heights = Array.from({ length: rows }, () => 2 * PADDING_PT)
  for (const each of set) if (each.rows === 1) heights[each.row] = Math.max(nth(heights, each.row), each.heightPt)
  for (const each of set) {
    const end = each.row + each.rows
    const sum = heights.slice(each.row, end).reduce((total, one) => total + one, 0)
    if (sum < each.heightPt) heights[end - 1] = nth(heights, end - 1) + each.heightPt - sum
  }
  return heights
}

/** How many rows at the beginning are heads altogether. */
function headOf(set: readonly Set[]): number {
  const first = set.filter((each) => each.row === 0)
  return first.length > 0 && first.every((each) => each.cell.type === 'tableHeader' && each.rows === 1) ? 1 : 0
}

const frameOf = ({ x, widthPt, cell }: Set, heightPt: number): Placed => ({
  is: 'path',
  d: rectPath(widthPt, heightPt),
  scale: 1,
  x,
  y: 0,
  stroke: LINE,
  lined: 0.6,
  part: null,
  ...(cell.type === 'tableHeader' ? { fill: '#eef1f3' } : {}),
})
const rowBox = (own: readonly Set[], heightPt: number, height: (each: Set) => number): Box => ({
  heightPt,
  beforePt: 0,
  placed: own.flatMap((each) => [frameOf(each, height(each)), ...stacked(each.boxes).placed]),
})

/** A row that is higher than a page, in parts that are not. */
function cutRow(own: readonly Set[], mostPt: number): Box[] {
  const parts = own.map((each) => {
    const stacks: Box[][] = [[]]
    let height = 0
    for (const box of each.boxes) {
      if (height + box.heightPt + box.beforePt > mostPt - 2 * PADDING_PT && nth(stacks, stacks.length - 1).length > 0) {
        stacks.push([])
        height = 0
      }
      nth(stacks, stacks.length - 1).push(box)
      height += box.heightPt + box.beforePt
    }
    return stacks
  })
  return Array.from({ length: Math.max(...parts.map((stacks) => stacks.length)) }, (_, n) => {
    const here = own.map((each, at) => ({ ...each, boxes: nth(parts, at)[n] ?? [] }))
    const heightPt = Math.max(...here.map((each) => stacked(each.boxes).heightPt))
    return rowBox(here, heightPt, () => heightPt)
  })
}

/** Rows under a head have it once more where they begin a page. */
function withHead(boxes: readonly Box[], head: number): Box[] {
  const [first] = boxes
  if (head === 0 || !first) return [...boxes]
  const repeat = { heightPt: first.heightPt, placed: first.placed.map((each) => ({ ...each, part: null })) }
  return boxes.map((box, n) => (n === 0 ? box : { ...box, repeat }))
}
