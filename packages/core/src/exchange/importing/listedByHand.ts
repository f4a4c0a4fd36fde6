import { nth } from '../../shared'
import type { Block } from '../../guides'
import type { Piece } from './htmlBlocks'

/** A number that somebody has typed before a paragraph: `1.`, `2)`, `Step 3:`. */
const TYPED = /^\s*(?:\p{L}{3,9}\s+)?\(?(\d{1,3})[.):]\)?\s+(?=\S)/u

const textOf = (block: Block): string =>
  block.type === 'paragraph' ? (block.content ?? []).map((node) => (node.type === 'text' ? node.text : '\n')).join('') : ''
const numberOf = (piece: Piece): number | null => {
  const found = piece.kind === 'block' && piece.block ? TYPED.exec(textOf(piece.block)) : null
  return found ? Number(found[1]) : null
}

/** A paragraph without so many characters at its beginning. */
function withoutStart(block: Block, count: number): Block {
  if (block.type !== 'paragraph') return block
  let left = count
  const content = (block.content ?? []).flatMap((node) => {
    if (left <= 0 || node.type !== 'text') return left > 0 && node.type === 'hardBreak' ? [] : [node]
    const text = node.text.slice(left)
    left -= node.text.length
    return text === '' ? [] : [{ ...node, text }]
  })
  return { ...block, content }
}

/** Numbers that were typed by hand make a list, where they count on from 1, also over headings: a paragraph that begins with "1." is no entry by itself. */
export function listedByHand(pieces: readonly Piece[]): Piece[] {
  const numbers = pieces.map(numberOf)
  const entries = new Set<number>()
  let run: number[] = []
  /** The last number of the list before, and whether this one counts on from there. */
  let reached = 0
  let goesOn = false
  const settle = () => {
    if (run.length > 1 || (goesOn && run.length > 0)) {
      run.forEach((at) => entries.add(at))
      reached = numbers[run.at(-1)!]!
    }
    run = []
    goesOn = false
  }
  numbers.forEach((number, at) => {
    if (number === null) {
      // A heading ends a list; other text may stand between its entries.
      if (nth(pieces, at).kind === 'heading') settle()
      return
    }
    if (run.length > 0 && number === numbers[run.at(-1)!]! + 1) return void run.push(at)
    settle()
    goesOn = reached > 0 && number === reached + 1
    if (number === 1 || goesOn) run.push(at)
  })
  settle()
  return pieces.map((piece, at): Piece => {
    if (!entries.has(at) || piece.kind !== 'block' || !piece.block) return piece
    const typed = TYPED.exec(textOf(piece.block))?.[0].length ?? 0
    return { kind: 'list-entry', blocks: [withoutStart(piece.block, typed)], pictures: piece.pictures, task: false }
  })
}

/** Text between two entries of a list belongs to the first of them, as people write who do not indent. */
export function withWhatFollows(pieces: readonly Piece[]): Piece[] {
  const out: Piece[] = []
  pieces.forEach((piece, at) => {
    const last = out.at(-1)
    const next = pieces.slice(at + 1).find((each) => each.kind !== 'block')
    if (piece.kind === 'block' && last?.kind === 'list-entry' && next?.kind === 'list-entry') {
      if (piece.block) last.blocks.push(piece.block)
      last.pictures.push(...piece.pictures)
    } else out.push(piece.kind === 'list-entry' ? { ...piece, blocks: [...piece.blocks], pictures: [...piece.pictures] } : piece)
  })
  return out
}
