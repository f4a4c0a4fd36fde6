import type { Inline } from '../../guides'
import { cautionIn } from './cautionIn'
import { inlineText } from './draftBuilder'
import type { Piece } from './htmlBlocks'

/** Longest line that is taken for a heading for being bold. */
const MAX_HEADING = 100
const ENDS_A_SENTENCE = /[.,;!?]$/

const isBold = (node: Inline): boolean =>
  node.type === 'text' && (node.text.trim() === '' || (node.marks ?? []).some((mark) => mark.type === 'bold'))
const plain = (node: Inline): Inline => {
  if (node.type !== 'text') return node
  const { marks = [], ...rest } = node
  const others = marks.filter((mark) => mark.type !== 'bold')
  return others.length > 0 ? { ...rest, marks: others } : rest
}

/** The words of a paragraph that is nothing but one bold line. */
function boldLine(piece: Piece): Inline[] | null {
  if (piece.kind !== 'block' || piece.block?.type !== 'paragraph' || piece.pictures.length > 0 || cautionIn(piece.block)) return null
  const content = piece.block.content ?? []
  const text = inlineText(content)
  return text.length > 1 && text.length <= MAX_HEADING && !ENDS_A_SENTENCE.test(text) && content.every(isBold) ? content.map(plain) : null
}

/** Bold lines are headings, where a text has no others: the first of all lines is the title. Where most lines are bold none of them means anything. */
export function headedByHand(pieces: readonly Piece[]): Piece[] {
  if (pieces.some((piece) => piece.kind === 'heading')) return [...pieces]
  const lines = pieces.map(boldLine)
  const bold = lines.filter((line) => line !== null).length
  if (bold === 0 || bold > pieces.length / 2) return [...pieces]
  return pieces.map((piece, at): Piece => {
    const inline = lines[at]
    return inline ? { kind: 'heading', level: at === 0 ? 1 : 2, inline, pictures: [] } : piece
  })
}
