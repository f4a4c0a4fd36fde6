import { isSafeLink, type Inline, type Mark } from '../../guides'
import { inlineHtml, outsideLink } from '../text/blocksHtml'

/** Signs that mean something in a line, wherever they stand. */
const SIGNS = /[\\`*_[\]<>&|~]/g
/** What would be a heading, a list, a rule or a quotation at the beginning of a line. */
const AT_THE_BEGINNING = /^(\s*)([#+\-=>]|\d{1,9}[.)])/

/** Words as they stand in a line of Markdown. @param begins whether a line begins with them */
function escaped(words: string, begins: boolean): string {
  const plain = words.replace(/\s+/g, ' ').replace(SIGNS, '\\$&')
  return begins
    ? plain.replace(
        AT_THE_BEGINNING,
        (_, blank: string, sign: string) => `${blank}${sign.length > 1 ? `${sign.slice(0, -1)}\\${sign.at(-1)}` : `\\${sign}`}`,
      )
    : plain
}

const isWord = (character: string | undefined): boolean => character !== undefined && /[\p{L}\p{N}]/u.test(character)
/** Whether stars around words are read as such: not beside letters, and not around blanks or signs (CommonMark 0.31, 6.2). */
const starsHold = (words: string, before: string | undefined, after: string | undefined): boolean =>
  isWord(words[0]) && isWord(words.at(-1)) && !isWord(before) && !isWord(after) && before !== '*' && after !== '*'

const textOf = (node: Inline | undefined): string => (node?.type === 'text' ? node.text : ' ')

function markedWords(
  node: Extract<Inline, { type: 'text' }>,
  begins: boolean,
  before: string | undefined,
  after: string | undefined,
  home: string,
): string {
  const marks = node.marks ?? []
  const has = (type: Mark['type']) => marks.some((mark) => mark.type === type)
  if (marks.length === 0) return escaped(node.text, begins)
  const link = marks.find((mark) => mark.type === 'link')
  const fits = starsHold(node.text, before, after) && !has('keyCap') && !(has('code') && (/[`|]/.test(node.text) || marks.length > 1))
  if (!fits) return inlineHtml([{ ...node, text: node.text.replace(/\s+/g, ' ') }], home)
  if (has('code')) return `\`${node.text.replace(/\s+/g, ' ')}\``
  const stars = `${has('bold') ? '**' : ''}${has('italic') ? '*' : ''}`
  const inner = `${stars}${escaped(node.text, false)}${[...stars].reverse().join('')}`
  if (!link) return inner
  const href = outsideLink(link.attrs.href, home)
  return isSafeLink(link.attrs.href) && !/[<>\s\\]/.test(href) ? `[${inner}](<${href.replaceAll('&', '\\&')}>)` : inlineHtml([node], home)
}

/** Runs of words as a paragraph of Markdown: one line, and one more behind each break. */
export function inlineMarkdown(nodes: readonly Inline[] | undefined, home: string): string {
  let begins = true
  return (nodes ?? [])
    .map((node, at, all) => {
      if (node.type === 'hardBreak') {
        begins = true
        return '\\\n'
      }
      const words = markedWords(node, begins, textOf(all[at - 1]).at(-1), textOf(all[at + 1])[0], home)
      begins = false
      return words
    })
    .join('')
}
