import { storable, type NewId } from '../../shared'
import { auditLines } from './auditWords'
import { draftOf, type ImportResult } from './draftOf'
import { headedByHand } from './headedByHand'
import { BLOCKS, DROPPED, parseHtml, piecesOf, type HtmlNode } from './htmlBlocks'
import { listedByHand, withWhatFollows } from './listedByHand'
import { titleFromFileName } from './titleFromFileName'

/** The first element of a name. */
function find(node: HtmlNode, name: string): HtmlNode | undefined {
  const open = [node]
  for (let next = open.shift(); next; next = open.shift()) {
    if (next.name === name) return next
    open.push(...(next.children ?? []))
  }
  return undefined
}

const wordsIn = (node: HtmlNode | undefined): string =>
  node?.type === 'text' ? (node.data ?? '') : (node?.children ?? []).map(wordsIn).join('')

/** The lines that people see of a page, with what its pictures show. */
function linesOf(root: HtmlNode): string[] {
  const lines: string[] = ['']
  const say = (words: string) => void (lines[lines.length - 1] += words)
  const walk = (node: HtmlNode): void => {
    if (node.type === 'text') return say((node.data ?? '').replace(/\s+/g, ' '))
    const { name = '' } = node
    if (DROPPED.has(name)) return
    if (name === 'img') return say(` ${node.attribs?.['alt'] ?? ''} `)
    const begins = BLOCKS.has(name) || name === 'br'
    if (begins) lines.push('')
    for (const child of node.children ?? []) walk(child)
    if (begins) lines.push('')
  }
  walk(root)
  return lines.map((line) => line.trim()).filter((line) => line !== '')
}

const LANGUAGE = /^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/

/** Makes a draft from a page of HTML, or of a document that was made one.
 * @param lines what people have seen of the document; without them, what the page shows
 * @returns as {@link draftOf} */
export function importHtml(html: string, fileName: string, newId: NewId, lines?: readonly string[]): ImportResult {
  const root = parseHtml(storable(html))
  const title = root
    ? storable(wordsIn(find(root, 'title')))
        .replace(/\s+/g, ' ')
        .trim()
    : ''
  const language = root && find(root, 'html')?.attribs?.['lang']
  return draftOf(
    {
      pieces: root && withWhatFollows(listedByHand(headedByHand(piecesOf(root)))),
      title: title || titleFromFileName(fileName),
      titled: title !== '',
      ...(language && LANGUAGE.test(language) ? { language } : {}),
      audit: (document, read) => auditLines(lines?.map(storable) ?? (root ? linesOf(root) : []), document, read),
    },
    newId,
  )
}
