import { addPart, type Part } from './part'
import type { Box, LeadsTo, Placed } from './box'
import type { Style, Type } from './type'

/** Words of one look within a text. `\n` breaks the line. `keyed`: drawn as a key of a keyboard. */
export type Piece = { words: string; style: Style; to?: LeadsTo; keyed?: boolean; code?: boolean }

type Token = { words: string; piece: number; blank: boolean; widthPt: number }
type Line = { tokens: Token[]; widthPt: number }

/** Cuts a word that is wider than a line into pieces that are not. */
function cutWord({ words, piece, blank }: Token, style: Style, type: Type, widthPt: number): Token[] {
  const parts: Token[] = []
  let part = ''
  let width = 0
  for (const character of words) {
    const more = type.widthOf(character, style.font) * style.sizePt
    if (part !== '' && width + more > widthPt) {
      parts.push({ words: part, piece, blank, widthPt: width })
      part = ''
      width = 0
    }
    part += character
    width += more
  }
  return part === '' ? parts : [...parts, { words: part, piece, blank, widthPt: width }]
}

/** Breaks a text into lines no wider than a width. Blanks at the ends of lines go, unless `kept`, as in code. */
export function breakLines(pieces: readonly Piece[], type: Type, widthPt: number, kept = false): Line[] {
  const lines: Line[] = []
  let line: Line = { tokens: [], widthPt: 0 }
  let word: Token[] = []
  const put = (token: Token) => {
    line.tokens.push(token)
    line.widthPt += token.widthPt
  }
  const end = () => {
    while (!kept && line.tokens.at(-1)?.blank) line.widthPt -= line.tokens.pop()!.widthPt
    lines.push(line)
    line = { tokens: [], widthPt: 0 }
  }
  const endWord = () => {
    const width = word.reduce((sum, token) => sum + token.widthPt, 0)
    if (line.tokens.length > 0 && line.widthPt + width > widthPt + 0.01) end()
    if (width <= widthPt + 0.01) word.forEach(put)
    else
      for (const token of word.flatMap((each) => cutWord(each, pieces[each.piece]!.style, type, widthPt))) {
        if (line.tokens.length > 0 && line.widthPt + token.widthPt > widthPt + 0.01) end()
        put(token)
      }
    word = []
  }
  for (const [at, { words, style }] of pieces.entries())
    for (const part of words.split(/(\n|[^\S\n\u00a0]+)/)) {
      if (part === '') continue
      const blank = /^\s/.test(part) && part !== '\u00a0'
      const widthOf = () => type.widthOf(part, style.font) * style.sizePt
      if (part === '\n') {
        endWord()
        end()
      } else if (!blank) word.push({ words: part, piece: at, blank, widthPt: widthOf() })
      else {
        endWord()
        if (kept || line.tokens.length > 0)
          put({
            words: kept ? part.replaceAll('\t', '    ') : ' ',
            piece: at,
            blank,
            widthPt: kept ? widthOf() : type.widthOf(' ', style.font) * style.sizePt,
          })
      }
    }
  endWord()
  end()
  return lines
}

/** The parts of a text: itself, or a part for each of its pieces where some of them are links or code. */
function partsOf(pieces: readonly Piece[], part: Part): Part[] {
  if (pieces.every((piece) => !piece.to && !piece.code)) return pieces.map(() => part)
  return pieces.map((piece) => addPart(part, piece.to ? 'Link' : piece.code ? 'Code' : 'Span'))
}

/** Sets a text: a box for each line. The first two and the last two stay together.
 * @param part to what it belongs; `null` for decoration */
export function textBoxes(
  pieces: readonly Piece[],
  type: Type,
  {
    x = 0,
    widthPt,
    beforePt = 0,
    part,
    kept = false,
    align = 'left',
  }: { x?: number; widthPt: number; beforePt?: number; part: Part | null; kept?: boolean; align?: 'left' | 'right' },
): Box[] {
  const lines = breakLines(pieces, type, widthPt, kept)
  const parts = part ? partsOf(pieces, part) : []
  const leading = Math.max(...pieces.map((piece) => piece.style.leadingPt), 1)
  return lines.map((line, n): Box => {
    const placed: Placed[] = []
    let at = align === 'right' ? x + widthPt - line.widthPt : x
    // Whoever reads the words without their places must not read two lines as one word.
    const blank = part !== null && n < lines.length - 1 && !kept ? ' ' : ''
    for (let i = 0; i < line.tokens.length;) {
      const { piece } = line.tokens[i]!
      const run: Token[] = []
      while (i < line.tokens.length && line.tokens[i]!.piece === piece) run.push(line.tokens[i++]!)
      const { style, to, keyed } = pieces[piece]!
      const width = run.reduce((sum, token) => sum + token.widthPt, 0)
      const y = (leading - style.sizePt) / 2 + style.sizePt * 0.82
      if (keyed)
        placed.push({
          is: 'path',
          d: `M0 0H${width + 3}V${style.sizePt * 1.25}H0Z`,
          scale: 1,
          x: at - 1.5,
          y: y - style.sizePt * 0.95,
          stroke: '#7a8794',
          lined: 0.6,
          part: null,
        })
      placed.push({
        is: 'words',
        words: run.map((token) => token.words).join('') + (i === line.tokens.length ? blank : ''),
        style,
        x: at,
        y,
        widthPt: width,
        part: parts[piece] ?? null,
        ...(to ? { to } : {}),
      })
      at += width
    }
    const near = lines.length > 1 && (n === 0 || n === lines.length - 2)
    return { heightPt: leading, beforePt: n === 0 ? beforePt : 0, placed, ...(near ? { keep: true } : {}) }
  })
}
