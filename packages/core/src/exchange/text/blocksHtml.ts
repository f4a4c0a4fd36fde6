import { isSafeLink, readGuideLink, type Block, type Inline, type Mark, type TableCell } from '../../guides'

/** Words as HTML says them, between tags and in attributes alike. */
export const escapeHtml = (words: string): string =>
  words.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign)

/** The address of a link outside of the application. @param home where the application is found */
export const outsideLink = (href: string, home: string): string => (readGuideLink(href) ? home + href : href)

function marked(inner: string, mark: Mark, home: string): string {
  switch (mark.type) {
    case 'bold':
      return `<strong>${inner}</strong>`
    case 'italic':
      return `<em>${inner}</em>`
    case 'code':
      return `<code>${inner}</code>`
    case 'keyCap':
      return `<kbd>${inner}</kbd>`
    case 'link':
      return isSafeLink(mark.attrs.href) ? `<a href="${escapeHtml(outsideLink(mark.attrs.href, home))}">${inner}</a>` : inner
  }
}

/** Runs of words as HTML. */
export const inlineHtml = (nodes: readonly Inline[] | undefined, home: string): string =>
  (nodes ?? [])
    .map((node) =>
      node.type === 'hardBreak' ? '<br>' : (node.marks ?? []).reduce((inner, mark) => marked(inner, mark, home), escapeHtml(node.text)),
    )
    .join('')

const cellHtml = ({ type, attrs, content }: TableCell, home: string): string => {
  const tag = type === 'tableHeader' ? 'th' : 'td'
  const spans = [attrs?.colspan ? ` colspan="${attrs.colspan}"` : '', attrs?.rowspan ? ` rowspan="${attrs.rowspan}"` : ''].join('')
  const [only] = content
  const inner = content.length === 1 && only?.type === 'paragraph' ? inlineHtml(only.content, home) : blocksHtml(content, home)
  return `<${tag}${type === 'tableHeader' ? ' scope="col"' : ''}${spans}>${inner}</${tag}>`
}

function blockHtml(block: Block, home: string): string {
  switch (block.type) {
    case 'paragraph':
      return `<p>${inlineHtml(block.content, home)}</p>`
    case 'codeBlock': {
      const language = block.attrs?.language
      const code = escapeHtml((block.content ?? []).map((node) => node.text).join(''))
      return `<pre><code${language ? ` class="language-${escapeHtml(language)}"` : ''}>${code.replaceAll('\n', '&#10;')}</code></pre>`
    }
    case 'bulletList':
    case 'orderedList': {
      const tag = block.type === 'bulletList' ? 'ul' : 'ol'
      const start = block.type === 'orderedList' && (block.attrs?.start ?? 1) !== 1 ? ` start="${block.attrs?.start}"` : ''
      return `<${tag}${start}>${block.content.map((item) => `<li>${blocksHtml(item.content, home)}</li>`).join('')}</${tag}>`
    }
    case 'table':
      return `<table>${block.content.map((row) => `<tr>${row.content.map((cell) => cellHtml(cell, home)).join('')}</tr>`).join('')}</table>`
  }
}

/** Blocks as HTML in one line. @param home where the application is found, for links to other guides */
export const blocksHtml = (blocks: readonly Block[], home: string): string => blocks.map((block) => blockHtml(block, home)).join('')
