import type { Block, Inline, RichText } from './richText'

const inlineText = (nodes: readonly Inline[] | undefined): string =>
  (nodes ?? []).map((node) => (node.type === 'text' ? node.text : '\n')).join('')

function blockLines(block: Block): string[] {
  switch (block.type) {
    case 'paragraph':
    case 'codeBlock':
      return [inlineText(block.content)]
    case 'bulletList':
    case 'orderedList':
      return block.content.flatMap((item) => item.content.flatMap(blockLines))
    case 'table':
      return block.content.map((row) => row.content.map((cell) => cell.content.flatMap(blockLines).join(' ')).join('\t'))
  }
}

/** The words of a rich text, a line for each paragraph, list entry or table row. */
export const plainText = (text: RichText): string => text.content.flatMap(blockLines).join('\n')

const WORD = /[\p{L}\p{N}]+(?:['’.,-][\p{L}\p{N}]+)*/gu
/** Number of words in a text, in any script that separates them. */
export const countWords = (text: string): number => text.match(WORD)?.length ?? 0
