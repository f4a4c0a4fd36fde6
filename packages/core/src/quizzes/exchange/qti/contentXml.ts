import type { Block, Inline, Mark, TableCell } from '../../../guides'
import type { ClipId, PictureId } from '../../../shared'
import { clipsIn, type Content } from '../../questions/content'
import { element, words, type Xml } from './xml'

/** The elements that set words off; a link has its address beside. */
const NAME_OF: Record<Mark['type'], string> = { bold: 'strong', italic: 'em', code: 'code', keyCap: 'kbd', link: 'a' }

const marked = (inside: Xml, marks: readonly Mark[]): Xml =>
  marks.reduceRight((xml, mark) => element(NAME_OF[mark.type], mark.type === 'link' ? { href: mark.attrs.href } : {}, xml), inside)
const inlineXml = (node: Inline): Xml => (node.type === 'hardBreak' ? element('br') : marked(words(node.text), node.marks ?? []))
const inlinesXml = (nodes: readonly Inline[] = []): Xml[] => nodes.map(inlineXml)

const cellXml = ({ type, attrs = {}, content }: TableCell): Xml =>
  element(type === 'tableHeader' ? 'th' : 'td', { colspan: attrs.colspan, rowspan: attrs.rowspan }, content.map(blockXml))
function blockXml(block: Block): Xml {
  switch (block.type) {
    case 'paragraph':
      return element('p', {}, inlinesXml(block.content))
    case 'codeBlock':
      return element(
        'pre',
        {},
        (block.content ?? []).map(({ text }) => words(text)),
      )
    case 'bulletList':
    case 'orderedList':
      return element(
        block.type === 'bulletList' ? 'ul' : 'ol',
        {},
        block.content.map((item) => element('li', {}, item.content.map(blockXml))),
      )
    case 'table':
      return element(
        'table',
        {},
        element(
          'tbody',
          {},
          block.content.map((row) => element('tr', {}, row.content.map(cellXml))),
        ),
      )
  }
}

/** Where files lie, as seen from the file in which they are named, and of what type they are. */
export type QtiAddresses = { picture: (id: PictureId) => string; clip: (id: ClipId) => { data: string; type: string } }

/** Content as the XHTML that questions may hold: its text, and under it its pictures and its sound and video. */
export const contentXml = (content: Content, { picture, clip }: QtiAddresses): Xml[] => [
  ...content.text.content.map(blockXml),
  ...content.pictures.map(({ id, alt }) => element('p', {}, element('img', { src: picture(id), alt }))),
  ...clipsIn(content).map(({ id, title }) => element('p', {}, element('object', clip(id), words(title)))),
]
