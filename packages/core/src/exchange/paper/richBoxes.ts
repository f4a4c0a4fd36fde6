import type { Block, RichText } from '../../guides'
import { addPart, type Part } from './part'
import { rectPath, type Box } from './box'
import { textBoxes } from './lines'
import { piecesOf, type Setting } from './pieces'
import { tableBoxes } from './tableBoxes'
import { fontOf, type Style } from './type'

type Room = { x: number; widthPt: number; beforePt: number; strong?: boolean }
const INDENT_PT = 18
/** Room between blocks. */
const BETWEEN_PT = 5

function codeBoxes(words: string, setting: Setting, within: Part, { x, widthPt, beforePt }: Room): Box[] {
  const { body, type } = setting
  const style: Style = { ...body, font: fontOf('mono'), sizePt: body.sizePt * 0.86, leadingPt: body.leadingPt * 0.88 }
  const lines = textBoxes([{ words, style }], type, { x: x + 6, widthPt: widthPt - 12, part: addPart(within, 'Code'), kept: true })
  return lines.map((line, n) => ({
    ...line,
    beforePt: n === 0 ? beforePt + 2 : 0,
    placed: [{ is: 'path', d: rectPath(widthPt, line.heightPt + 0.3), scale: 1, x, y: 0, fill: '#f2f4f5', part: null }, ...line.placed],
  }))
}

const BULLETS = ['•', '–', '·'] as const
function listBoxes(
  list: Extract<Block, { type: 'bulletList' | 'orderedList' }>,
  setting: Setting,
  within: Part,
  room: Room,
  depth: number,
): Box[] {
  const part = addPart(within, 'L')
  const start = list.type === 'orderedList' ? (list.attrs?.start ?? 1) : 0
  const widest =
    list.type === 'orderedList' ? setting.type.widthOf(`${start + list.content.length}. `, setting.body.font) * setting.body.sizePt : 0
  // Lists deep in one another leave room for words in the end.
  const indent = Math.min(Math.max(INDENT_PT, widest + 4), room.widthPt / 4)
  return list.content.flatMap((item, n) => {
    const entry = addPart(part, 'LI')
    const mark = list.type === 'orderedList' ? `${start + n}.` : BULLETS[depth % BULLETS.length]!
    const label = textBoxes([{ words: mark, style: setting.body }], setting.type, {
      x: room.x,
      widthPt: indent - 4,
      part: addPart(entry, 'Lbl'),
      ...(list.type === 'orderedList' ? { align: 'right' as const } : {}),
    })[0]!
    const boxes = blockBoxes(
      item.content,
      setting,
      addPart(entry, 'LBody'),
      { ...room, x: room.x + indent, widthPt: room.widthPt - indent, beforePt: n === 0 ? room.beforePt : 2 },
      depth + 1,
    )
    return boxes.map((box, i) => (i === 0 ? { ...box, placed: [...label.placed, ...box.placed] } : box))
  })
}

/** Sets blocks of rich text, one under another. */
function blockBoxes(blocks: readonly Block[], setting: Setting, within: Part, room: Room, depth = 0): Box[] {
  return blocks.flatMap((block, n): Box[] => {
    const here = { ...room, beforePt: n === 0 ? room.beforePt : BETWEEN_PT }
    switch (block.type) {
      case 'paragraph': {
        const pieces = piecesOf(block.content, setting, room.strong)
        if (pieces.length === 0) return [{ heightPt: setting.body.leadingPt / 2, beforePt: here.beforePt, placed: [] }]
        return textBoxes(pieces, setting.type, { ...here, part: addPart(within, 'P') })
      }
      case 'codeBlock':
        return codeBoxes((block.content ?? []).map((node) => node.text).join(''), setting, within, here)
      case 'bulletList':
      case 'orderedList':
        return listBoxes(block, setting, within, here, depth)
      case 'table':
        return tableBoxes(block, setting, within, here, blockBoxes)
    }
  })
}

/** Sets a rich text. */
export const richBoxes = (text: RichText, setting: Setting, within: Part, room: Room): Box[] =>
  blockBoxes(text.content, setting, within, room)
