import { parseDocument } from 'htmlparser2'
import type { HtmlNode } from './htmlBlocks'

/** The lines of a part of a Word file (OOXML): the words of each paragraph. What was deleted while changes were tracked is not seen. */
export function linesOfWord(xml: string): string[] {
  const lines: string[] = []
  const walk = (node: HtmlNode, into: { words: string } | null): void => {
    if (node.name === 'w:p') {
      const line = { words: '' }
      for (const child of node.children ?? []) walk(child, line)
      if (line.words.trim() !== '') lines.push(line.words.trim())
      return
    }
    if (node.name === 'w:del' || node.name === 'w:instrText' || node.name === 'mc:Fallback') return
    if (node.name === 'w:tab' || node.name === 'w:br') {
      if (into) into.words += ' '
      return
    }
    if (node.name === 'w:t') {
      if (into) into.words += (node.children ?? []).map((child) => child.data ?? '').join('')
      return
    }
    for (const child of node.children ?? []) walk(child, into)
  }
  walk(parseDocument(xml, { xmlMode: true, decodeEntities: true }) as HtmlNode, null)
  return lines
}
