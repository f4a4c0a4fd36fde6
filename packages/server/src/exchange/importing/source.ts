import { GUIDE_FILE } from '@jackdaw/core/exchange'
import { known } from '@jackdaw/core/shared'
import { fail, Refused, said } from '../../http'
import { readZip } from './readZip'

const MARKDOWN = /\.(md|markdown|mdown|mkd|txt)$/i
const HTML = /\.x?html?$/i
const MAX_TEXT_BYTES = 6 * 1024 * 1024
const MAX_GUIDE_FILE_BYTES = 30 * 1024 * 1024
const ZIP_START = Buffer.from('PK\x03\x04', 'latin1')
const PDF_START = Buffer.from('%PDF-', 'latin1')

/** What was sent, by what it is: a text with files beside it, or a document that has to be read as a whole. */
export type Source = DocumentSource | GuideFileSource
export type DocumentSource = TextSource<'markdown'> | TextSource<'html'> | WholeSource<'word'> | WholeSource<'pdf'>
type GuideFileSource = TextSource<'guide-file'>
type TextSource<K> = { kind: K; path: string; text: string; files: Map<string, Buffer> }
type WholeSource<K> = { kind: K; path: string; bytes: Buffer }

function refuseLarge(bytes: Buffer, most: number): void {
  if (bytes.length > most)
    fail(
      'too-large',
      said('A text may have {{most}} MB; this one has {{size}} MB. Nothing was imported.', {
        most: most / 1024 / 1024,
        size: (bytes.length / 1024 / 1024).toFixed(1),
      }),
    )
  if (bytes.length === 0) fail('not-markdown', 'The file is empty.')
}

function decoded(bytes: Buffer, most = MAX_TEXT_BYTES): string {
  refuseLarge(bytes, most)
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    if (text.includes('\0')) fail('not-markdown', 'The file is not a text. Nothing was imported.')
    return text
  } catch (error) {
    if (error instanceof Refused) throw error
    return fail('not-markdown', 'The file is not a text in UTF-8. Save it as UTF-8 and import it again.')
  }
}

/** The wide encoding of a text, by its first signs: a mark, or a NUL in every second place. */
function wideEncoding(bytes: Buffer): string | undefined {
  const begin = bytes.subarray(0, 512)
  if (begin[0] === 0xff && begin[1] === 0xfe) return 'utf-16le'
  if (begin[0] === 0xfe && begin[1] === 0xff) return 'utf-16be'
  const nuls = [0, 1].map((rest) => begin.filter((byte, n) => byte === 0 && n % 2 === rest).length)
  const [even = 0, odd = 0] = nuls
  return odd > begin.length / 4 && even === 0 ? 'utf-16le' : even > begin.length / 4 && odd === 0 ? 'utf-16be' : undefined
}

/** The text of a page, in the encoding that it says it has; UTF-8 where it says none, and in an older one where it is none. */
function htmlText(bytes: Buffer): string {
  refuseLarge(bytes, 2 * MAX_TEXT_BYTES)
  const told = wideEncoding(bytes) ?? /<meta[^>]+charset\s*=\s*["']?([\w-]+)/i.exec(bytes.subarray(0, 2_048).toString('latin1'))?.[1]
  for (const label of [told ?? 'utf-8', 'utf-8', 'windows-1252'])
    try {
      return new TextDecoder(label, { fatal: label !== 'windows-1252' }).decode(bytes).replaceAll('\0', '\uFFFD')
    } catch (error) {
      // Not in this encoding, or none that is known: the next one is tried.
      if (!(error instanceof RangeError) && !(error instanceof TypeError)) throw error
    }
  return fail('not-markdown', 'The page is not a text. Nothing was imported.')
}

/** The paths of a zip that look so, those nearest to its top first. */
const nearest = (files: ReadonlyMap<string, Buffer>, like: RegExp): string[] =>
  [...files.keys()].filter((path) => like.test(path)).sort((a, b) => a.split('/').length - b.split('/').length || a.localeCompare(b))

/** What lies in a zip: a whole guide, a Markdown text, or a page, with the files beside it. */
function inZip(files: Map<string, Buffer>): Source {
  const whole = nearest(files, /^([^/]+\/)?guide\.json$/)[0]
  if (whole) return { kind: 'guide-file', path: whole, text: decoded(known(files, whole), MAX_GUIDE_FILE_BYTES), files }
  const texts = nearest(files, MARKDOWN)
  const markdown = texts.find((each) => !/\.txt$/i.test(each))
  const page = nearest(files, HTML).sort((a, b) => Number(/(^|\/)index\.x?html?$/i.test(b)) - Number(/(^|\/)index\.x?html?$/i.test(a)))[0]
  if (!markdown && page) return { kind: 'html', path: page, text: htmlText(known(files, page)), files }
  const path =
    markdown ??
    texts[0] ??
    fail('bad-zip', `There is no Markdown file (.md), page (.html) or ${GUIDE_FILE.name} in the zip. Nothing was imported.`)
  return { kind: 'markdown', path, text: decoded(known(files, path)), files }
}

/** What was sent, told by its bytes; only texts by their names, too. */
export async function sourceOf(bytes: Buffer, fileName: string): Promise<Source> {
  if (bytes.subarray(0, 1_024).includes(PDF_START)) return { kind: 'pdf', path: fileName, bytes }
  if (bytes.subarray(0, 4).equals(ZIP_START)) {
    const files = await readZip(bytes)
    return files.has('word/document.xml') ? { kind: 'word', path: fileName, bytes } : inZip(files)
  }
  if (/\.zip$/i.test(fileName)) return fail('bad-zip', 'The file is named .zip but is none. Nothing was imported.')
  if (/\.docx$/i.test(fileName))
    return fail('not-a-document', 'The file is named .docx but is none. Save it once more as .docx. Nothing was imported.')
  if (/\.pdf$/i.test(fileName)) return fail('not-a-document', 'The file is named .pdf but is none. Nothing was imported.')
  if (HTML.test(fileName) || /^\s*(<!doctype html|<html)/i.test(bytes.subarray(0, 512).toString('latin1')))
    return { kind: 'html', path: fileName, text: htmlText(bytes), files: new Map() }
  return { kind: 'markdown', path: fileName, text: decoded(bytes), files: new Map() }
}
