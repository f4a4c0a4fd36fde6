import type { Block } from '../../guides'
import { blocksHtml } from '../text/blocksHtml'
import { inlineMarkdown } from './inlineMarkdown'

/** Lines with so much room before each but empty ones. */
export const indented = (text: string, by: number): string => text.replace(/^(?=.)/gm, ' '.repeat(by))

/** The longest run of backticks in a text. */
const longestRun = (text: string): number => Math.max(0, ...[...text.matchAll(/`+/g)].map(([run]) => run.length))

function codeMarkdown(block: Extract<Block, { type: 'codeBlock' }>): string {
  const code = (block.content ?? []).map((node) => node.text).join('')
  // Tabs count as blanks at the beginning of a line of Markdown; in HTML they stay.
  if (/[\t\r\f\v]/.test(code)) return blocksHtml([block], '')
  const fence = '`'.repeat(Math.max(3, longestRun(code) + 1))
  return `${fence}${/^[\w+#.-]+$/.exec(block.attrs?.language ?? '')?.[0] ?? ''}\n${code}\n${fence}`
}

type Table = Extract<Block, { type: 'table' }>
/** Whether a table has a head, and in each cell one line without spans: then it is one in Markdown, too. */
function isPlainTable(table: Table): boolean {
  const [head, ...rest] = table.content
  const width = head?.content.length ?? 0
  const line = (cell: Table['content'][number]['content'][number]) =>
    !cell.attrs?.colspan &&
    !cell.attrs?.rowspan &&
    cell.content.length === 1 &&
    cell.content[0]?.type === 'paragraph' &&
    !cell.content[0].content?.some((node) => node.type === 'hardBreak')
  return (
    head?.content.every((cell) => cell.type === 'tableHeader') === true &&
    rest.length > 0 &&
    rest.every((row) => row.content.length === width && row.content.every((cell) => cell.type === 'tableCell')) &&
    table.content.every((row) => row.content.every(line))
  )
}
function tableMarkdown(table: Table, home: string): string {
  if (!isPlainTable(table)) return blocksHtml([table], home)
  const rows = table.content.map(
    (row) =>
      `| ${row.content.map((cell) => (cell.content[0]?.type === 'paragraph' ? inlineMarkdown(cell.content[0].content, home) : '')).join(' | ')} |`,
  )
  const [head = '', ...rest] = rows
  return [head, `|${' --- |'.repeat(table.content[0]?.content.length ?? 0)}`, ...rest].join('\n')
}

function blockMarkdown(block: Block, home: string): string {
  switch (block.type) {
    case 'paragraph':
      return inlineMarkdown(block.content, home)
    case 'codeBlock':
      return codeMarkdown(block)
    case 'bulletList':
      return block.content.map((item) => entry('- ', item.content, home)).join('\n')
    case 'orderedList':
      return block.content.map((item, n) => entry(`${(block.attrs?.start ?? 1) + n}. `, item.content, home)).join('\n')
    case 'table':
      return tableMarkdown(block, home)
  }
}

/** An entry of a list: its mark, and all of its blocks as far in as the first. */
function entry(mark: string, blocks: readonly Block[], home: string): string {
  return mark + indented(blocksMarkdown(blocks, home), mark.length).trimStart()
}

const isList = (block: Block | undefined): boolean => block?.type === 'bulletList' || block?.type === 'orderedList'

/** Blocks of rich text as Markdown. Between two lists stands a comment: else they would be one. */
export function blocksMarkdown(blocks: readonly Block[], home: string): string {
  const some = blocks.filter((block) => block.type !== 'paragraph' || (block.content ?? []).length > 0)
  return some.map((block, at) => (isList(block) && isList(some[at - 1]) ? '<!-- -->\n\n' : '') + blockMarkdown(block, home)).join('\n\n')
}
