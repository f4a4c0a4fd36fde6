import type { Inline, Mark } from '../../guides'
import type { Piece } from './lines'
import { fontOf, type Style, type Type } from './type'

/** How a text is set: its fonts, its room, and the address under which its own links are found. `pageHeightPt`: room on a page. */
export type Setting = { type: Type; body: Style; linkColour: string; home: string; pageHeightPt: number }

/** Words in other looks, from marks. */
function pieceOf(words: string, marks: readonly Mark[], { body, linkColour, home }: Setting, strong: boolean): Piece {
  const has = (type: Mark['type']) => marks.some((mark) => mark.type === type)
  const code = has('code')
  const link = marks.find((mark) => mark.type === 'link')
  const face = code ? 'mono' : has('keyCap') ? 'sans' : body.font.face
  const href = link?.attrs.href.startsWith('/') ? home + link.attrs.href : link?.attrs.href
  return {
    words,
    style: {
      ...body,
      font: fontOf(face, strong || has('bold'), has('italic') && face !== 'mono'),
      sizePt: code ? body.sizePt * 0.92 : body.sizePt,
      colour: link ? linkColour : body.colour,
    },
    ...(href ? { to: { href } } : {}),
    ...(has('keyCap') ? { keyed: true } : {}),
    ...(code ? { code: true } : {}),
  }
}

/** Runs of words as pieces to be set. */
export const piecesOf = (nodes: readonly Inline[] | undefined, setting: Setting, strong = false): Piece[] =>
  (nodes ?? []).map((node) =>
    node.type === 'hardBreak' ? { words: '\n', style: setting.body } : pieceOf(node.text, node.marks ?? [], setting, strong),
  )
