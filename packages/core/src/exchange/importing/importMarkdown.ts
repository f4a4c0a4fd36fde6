import MarkdownIt from 'markdown-it'
import { GUIDE_LIMITS } from '../../guides'
import type { NewId } from '../../shared'
import { auditWords } from './auditWords'
import { draftOf, tooManySteps, type ImportResult } from './draftOf'
import { htmlPieces } from './htmlBlocks'
import { titleFromFileName } from './titleFromFileName'

/** So many numbered lines mean more steps than there may be; they are counted before anything is made of them. */
const MANY_NUMBERED_LINES = GUIDE_LIMITS.items.most * 4

function markdownReader() {
  const reader = new MarkdownIt({ html: true, linkify: false, typographer: false })
  reader.validateLink = () => true
  reader.normalizeLink = (url) => url
  reader.normalizeLinkText = (text) => text
  return reader
}

const FRONT_MATTER = /^---[ \t]*\r?\n([\s\S]*?)\r?\n---[ \t]*(?:\r?\n|$)/
/** Makes a draft from Markdown (CommonMark with tables and HTML inside), see {@link draftOf}.
 * @param fileName gives the title when the text has none */
export function importMarkdown(source: string, fileName: string, newId: NewId): ImportResult {
  const numbered = source.match(/^\d{1,9}[.)][ \t]/gm)?.length ?? 0
  if (numbered > MANY_NUMBERED_LINES) return tooManySteps(numbered)
  const text = source.replace(/^\uFEFF/, '').replaceAll('\0', '\uFFFD')
  const frontMatter = FRONT_MATTER.exec(text)
  const named = /^title:[ \t]*["']?(.+?)["']?[ \t]*$/m.exec(frontMatter?.[1] ?? '')?.[1]
  const pieces = htmlPieces(markdownReader().render(frontMatter ? text.slice(frontMatter[0].length) : text))
  return draftOf(
    { pieces, title: named ?? titleFromFileName(fileName), audit: (document, read) => auditWords(text, document, read) },
    newId,
  )
}
