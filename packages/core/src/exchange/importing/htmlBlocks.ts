import { nth, storable } from '../../shared'
import { parseDocument } from 'htmlparser2'
import { isSafeLink, type Block, type Inline, type ListItem, type Mark, type TableCell, type TableRow } from '../../guides'

/** A picture that the text refers to, where it stood. */
export type PictureRef = { path: string; alt: string }
/** What a text consists of at its top level, in order. */
export type Piece =
  | { kind: 'heading'; level: number; inline: Inline[]; pictures: PictureRef[] }
  /** `task`: it has a box to be ticked off. */
  | { kind: 'list-entry'; blocks: Block[]; pictures: PictureRef[]; task: boolean }
  | { kind: 'block'; block: Block | null; pictures: PictureRef[] }

/** An element, or a run of words, as a parser gives it. */
export type HtmlNode = { type: string; name?: string; data?: string; attribs?: Record<string, string>; children?: HtmlNode[] }
type Node = HtmlNode

const MAX_DEPTH = 30
/** Elements of which nothing is shown. */
export const DROPPED: ReadonlySet<string> = new Set(['script', 'style', 'template', 'noscript', 'head', 'iframe', 'object', 'embed'])
const HEADING = /^h([1-6])$/
/** Elements that begin a line of their own. */
export const BLOCKS: ReadonlySet<string> = new Set([
  'p',
  'div',
  'section',
  'article',
  'header',
  'footer',
  'main',
  'aside',
  'nav',
  'center',
  'blockquote',
  'details',
  'summary',
  'figure',
  'figcaption',
  'dl',
  'dt',
  'dd',
  'address',
  'form',
  'fieldset',
  'ul',
  'ol',
  'li',
  'pre',
  'table',
  'hr',
  'html',
  'body',
  'picture',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'tr',
  'td',
  'th',
  'tbody',
  'thead',
  'tfoot',
  'caption',
  'colgroup',
])
const MARK_OF: Record<string, Mark> = {
  b: { type: 'bold' },
  strong: { type: 'bold' },
  i: { type: 'italic' },
  em: { type: 'italic' },
  cite: { type: 'italic' },
  code: { type: 'code' },
  samp: { type: 'code' },
  tt: { type: 'code' },
  kbd: { type: 'keyCap' },
}
const SCHEME = /^([a-z][a-z0-9+.-]*:|\/\/)/i

const isElement = (node: Node): node is Node & { name: string } => node.name !== undefined
const textOf = (node: Node): string =>
  node.type === 'text' ? (node.data ?? '') : isElement(node) && node.name === 'br' ? '\n' : (node.children ?? []).map(textOf).join('')
const withMark = (marks: readonly Mark[], mark: Mark): Mark[] =>
  marks.some((each) => each.type === mark.type) ? [...marks] : [...marks, mark]
const textNode = (text: string, marks: readonly Mark[]): Inline => ({
  type: 'text',
  text: storable(text),
  ...(marks.length > 0 ? { marks: [...marks] } : {}),
})

function pictureInline(node: Node, marks: readonly Mark[], pictures: PictureRef[]): Inline[] {
  const path = (node.attribs?.['src'] ?? '').trim()
  const alt = storable(node.attribs?.['alt'] ?? '')
    .replace(/\s+/g, ' ')
    .trim()
  if (path !== '' && !SCHEME.test(path)) {
    pictures.push({ path, alt: alt.slice(0, 1_000) })
    return []
  }
  if (alt === '') return []
  const link: Mark[] = isSafeLink(path) && !marks.some((mark) => mark.type === 'link') ? [{ type: 'link', attrs: { href: path } }] : []
  return [textNode(alt, [...marks, ...link])]
}

/** The words of phrasing content, with the pictures met on the way taken out. */
function inlines(nodes: readonly Node[], marks: readonly Mark[], pictures: PictureRef[], depth: number): Inline[] {
  return nodes.flatMap((node): Inline[] => {
    if (node.type === 'text') {
      const text = (node.data ?? '').replace(/[ \t\r\n\f]+/g, ' ')
      return text === '' ? [] : [textNode(text, marks)]
    }
    if (!isElement(node) || DROPPED.has(node.name)) return []
    if (node.name === 'br') return [{ type: 'hardBreak' }]
    if (node.name === 'img') return pictureInline(node, marks, pictures)
    if (depth > MAX_DEPTH) return [textNode(textOf(node) || ' ', marks)]
    const mark = MARK_OF[node.name]
    const href = node.name === 'a' ? (node.attribs?.['href'] ?? '') : ''
    const more = mark ? withMark(marks, mark) : isSafeLink(href) ? withMark(marks, { type: 'link', attrs: { href: href.trim() } }) : marks
    return inlines(node.children ?? [], more, pictures, depth + 1)
  })
}

function trimmed(content: Inline[]): Inline[] {
  const out = [...content]
  const blank = (node: Inline | undefined) => node !== undefined && (node.type === 'hardBreak' || node.text.trim() === '')
  while (blank(out[0])) out.shift()
  while (blank(out.at(-1))) out.pop()
  const first = out[0]
  if (first?.type === 'text') out[0] = { ...first, text: first.text.trimStart() }
  const last = out.at(-1)
  if (last?.type === 'text') out[out.length - 1] = { ...last, text: last.text.trimEnd() }
  return out
}

const paragraphOf = (content: Inline[]): Block[] => {
  const inner = trimmed(content)
  return inner.length === 0 ? [] : [{ type: 'paragraph', content: inner }]
}
const bold = (content: Inline[]): Inline[] =>
  content.map((node) => (node.type === 'text' ? { ...node, marks: withMark(node.marks ?? [], { type: 'bold' }) } : node))

function codeBlock(node: Node): Block[] {
  const code = (node.children ?? []).find((child) => child.name === 'code') ?? node
  const language = /language-(\S+)/.exec(code.attribs?.['class'] ?? '')?.[1]
  const text = storable(textOf(node).replace(/\n$/, ''))
  if (text === '') return []
  return [{ type: 'codeBlock', ...(language && language.length <= 40 ? { attrs: { language } } : {}), content: [{ type: 'text', text }] }]
}

const elements = (node: Node, ...names: string[]): Node[] =>
  (node.children ?? []).filter((child) => isElement(child) && names.includes(child.name))

const TASK = /^\s*\[([ xX])\]\s+/
/** The first words of an entry, if it begins with words. */
function firstText(node: Node): Node | null {
  const first = (node.children ?? []).find((child) => child.type !== 'text' || (child.data ?? '').trim() !== '')
  if (!first) return null
  return first.type === 'text' ? first : first.name === 'p' ? firstText(first) : null
}
const taskOf = (entry: Node): { text: Node; ticked: boolean } | null => {
  const text = firstText(entry)
  const mark = TASK.exec(text?.data ?? '')?.[1]
  return text && mark !== undefined ? { text, ticked: mark !== ' ' } : null
}
/** Takes the box to be ticked off out of an entry, or puts a sign in its place. @returns whether there was one */
function takeBox(entry: Node, sign: boolean): boolean {
  const task = taskOf(entry)
  if (task) task.text.data = task.text.data!.replace(TASK, sign ? (task.ticked ? '☑ ' : '☐ ') : '')
  return task !== null
}

function entries(list: Node, pictures: PictureRef[], depth: number): ListItem[] {
  return (list.children ?? []).flatMap((child): ListItem[] => {
    if (child.name === 'li') takeBox(child, true)
    const content = child.name === 'li' ? blocks(child.children ?? [], pictures, depth + 1) : blocks([child], pictures, depth + 1)
    if (content.length === 0) return []
    return [{ type: 'listItem', content: nth(content, 0).type === 'paragraph' ? content : [{ type: 'paragraph' }, ...content] }]
  })
}

const spanOf = (cell: Node, name: string): number | undefined => {
  const n = Number.parseInt(cell.attribs?.[name] ?? '', 10)
  return n > 1 && n <= 100 ? n : undefined
}

function table(node: Node, pictures: PictureRef[], depth: number): Block[] {
  const rowsIn = (at: Node): Node[] =>
    (at.children ?? []).flatMap((child) =>
      child.name === 'tr' ? [child] : ['thead', 'tbody', 'tfoot'].includes(child.name ?? '') ? rowsIn(child) : [],
    )
  const rows = rowsIn(node).flatMap((row): TableRow[] => {
    const cells = elements(row, 'td', 'th').map((cell): TableCell => {
      const content = blocks(cell.children ?? [], pictures, depth + 1)
      const attrs = { colspan: spanOf(cell, 'colspan'), rowspan: spanOf(cell, 'rowspan') }
      return {
        type: cell.name === 'th' ? 'tableHeader' : 'tableCell',
        ...(attrs.colspan || attrs.rowspan ? { attrs } : {}),
        content: content.length > 0 ? content : [{ type: 'paragraph' }],
      }
    })
    return cells.length === 0 || cells.length > 100 ? [] : [{ type: 'tableRow', content: cells }]
  })
  const caption = elements(node, 'caption').flatMap((each) => blocks(each.children ?? [], pictures, depth + 1))
  return rows.length === 0 ? caption : [...caption, { type: 'table', content: rows }]
}

function blockOf(node: Node & { name: string }, pictures: PictureRef[], depth: number): Block[] {
  const children = node.children ?? []
  if (HEADING.test(node.name) || node.name === 'summary' || node.name === 'dt')
    return paragraphOf(bold(inlines(children, [], pictures, depth)))
  switch (node.name) {
    case 'pre':
      return codeBlock(node)
    case 'ul':
    case 'ol': {
      const content = entries(node, pictures, depth)
      if (content.length === 0) return []
      const start = Number.parseInt(node.attribs?.['start'] ?? '1', 10)
      if (node.name === 'ul') return [{ type: 'bulletList', content }]
      return [{ type: 'orderedList', ...(start > 1 && start <= 1_000_000 ? { attrs: { start } } : {}), content }]
    }
    case 'table':
      return table(node, pictures, depth)
    default:
      return blocks(children, pictures, depth + 1)
  }
}

/** Whether an element is or holds a block, so that it cannot stand in a paragraph. */
const holdsBlock = (node: Node, depth = 0): boolean =>
  isElement(node) &&
  !DROPPED.has(node.name) &&
  (BLOCKS.has(node.name) || (depth < 8 && (node.children ?? []).some((child) => holdsBlock(child, depth + 1))))

/** Blocks of mixed content: runs of words become paragraphs between the blocks. */
function blocks(nodes: readonly Node[], pictures: PictureRef[], depth: number): Block[] {
  if (depth > MAX_DEPTH) return paragraphOf([textNode(nodes.map(textOf).join(' ') || ' ', [])])
  const out: Block[] = []
  let run: Node[] = []
  const flush = () => {
    out.push(...paragraphOf(inlines(run, [], pictures, depth)))
    run = []
  }
  for (const node of nodes) {
    if (!holdsBlock(node)) run.push(node)
    else {
      flush()
      out.push(...blockOf(node as Node & { name: string }, pictures, depth))
    }
  }
  flush()
  return out
}

/** The blocks of some elements, with the pictures that stand among them put into a list. */
export const blocksOf = (nodes: readonly HtmlNode[], pictures: PictureRef[]): Block[] => blocks(nodes, pictures, 0)

const WRAPPERS = new Set([
  'div',
  'section',
  'article',
  'main',
  'header',
  'footer',
  'center',
  'html',
  'body',
  'details',
  'a',
  'span',
  'font',
  'b',
  'strong',
  'em',
  'i',
  'blockquote',
  'p',
])

/** A list of which every entry has a box to be ticked off. */
const isTaskList = (node: Node): boolean => {
  const items = node.name === 'ul' ? elements(node, 'li') : []
  return items.length > 0 && items.every((entry) => taskOf(entry) !== null)
}

function walk(nodes: readonly Node[], out: Piece[], depth: number): void {
  let run: Node[] = []
  const blockPiece = (made: Block[], pictures: PictureRef[]) => {
    made.forEach((block, index) => out.push({ kind: 'block', block, pictures: index === 0 ? pictures : [] }))
    if (made.length === 0 && pictures.length > 0) out.push({ kind: 'block', block: null, pictures })
  }
  const flush = () => {
    const pictures: PictureRef[] = []
    blockPiece(paragraphOf(inlines(run, [], pictures, depth)), pictures)
    run = []
  }
  for (const node of nodes) {
    if (!holdsBlock(node)) {
      run.push(node)
      continue
    }
    flush()
    const element = node as Node & { name: string }
    const pictures: PictureRef[] = []
    const level = HEADING.exec(element.name)?.[1]
    if (level)
      out.push({ kind: 'heading', level: Number(level), inline: trimmed(inlines(element.children ?? [], [], pictures, depth)), pictures })
    else if (element.name === 'ol' || isTaskList(element))
      for (const child of element.children ?? []) {
        const own: PictureRef[] = []
        const task = child.name === 'li' && takeBox(child, false)
        const made = child.name === 'li' ? blocks(child.children ?? [], own, depth + 1) : blocks([child], own, depth + 1)
        if (made.length > 0 || own.length > 0) out.push({ kind: 'list-entry', blocks: made, pictures: own, task })
      }
    else if (WRAPPERS.has(element.name) && depth < MAX_DEPTH && (element.children ?? []).some((child) => holdsBlock(child)))
      walk(element.children ?? [], out, depth + 1)
    else blockPiece(blockOf(element, pictures, depth), pictures)
  }
  flush()
}

/** Deepest nesting of elements that is read: pages that people write have a few dozen, and a full stack is not far beyond. */
export const MAX_HTML_LEVELS = 4_000

const TAG = /<(\/?)([a-z][a-z0-9]*)([^<>]*)/gi
/** Elements that have no end, or need none. */
const NEED_NO_END: ReadonlySet<string> = new Set(
  'area base br col embed hr img input link meta param source track wbr p li td tr th dt dd option optgroup tbody thead tfoot colgroup'.split(
    ' ',
  ),
)
/** Whether more elements are open at once than are read; told before the parser, which takes long over them. */
function isTooDeep(html: string): boolean {
  let open = 0
  for (const [, end, name = '', rest = ''] of html.matchAll(TAG)) {
    if (NEED_NO_END.has(name.toLowerCase()) || rest.endsWith('/')) continue
    open = end ? Math.max(0, open - 1) : open + 1
    if (open > MAX_HTML_LEVELS) return true
  }
  return false
}

function isShallow(root: Node): boolean {
  const open: [Node, number][] = [[root, 0]]
  for (let next = open.pop(); next; next = open.pop()) {
    if (next[1] > MAX_HTML_LEVELS) return false
    for (const child of next[0].children ?? []) open.push([child, next[1] + 1])
  }
  return true
}

/** Parses HTML, however untidy; `null` when elements lie too deep in one another, see `MAX_HTML_LEVELS`. */
export function parseHtml(html: string): HtmlNode | null {
  if (isTooDeep(html)) return null
  const root = parseDocument(html, { decodeEntities: true }) as HtmlNode
  return isShallow(root) ? root : null
}

/** The pieces of parsed HTML. Scripts, styles and embedded pages are left out. */
export function piecesOf(root: HtmlNode): Piece[] {
  const out: Piece[] = []
  walk(root.children ?? [], out, 0)
  return out
}

/** Reads HTML as the pieces of a text, see {@link piecesOf}; `null` when elements lie too deep in one another. */
export function htmlPieces(html: string): Piece[] | null {
  const root = parseHtml(html)
  return root && piecesOf(root)
}
