import { type FolderId, known } from '@jackdaw/core/shared'
import { posix } from 'node:path'
import type { ImportReport } from '@jackdaw/contracts/exchange'
import { GUIDE_FILE, type DraftPicture } from '@jackdaw/core/exchange'
import { fail, Refused, said, type Caller, type Parts } from '../../http'
import { readPictures, storeDraft } from './drafting'
import { importGuideFile, otherFiles } from './importGuideFile'
import { readZip } from './readZip'

const MARKDOWN = /\.(md|markdown|mdown|mkd|txt)$/i
const MAX_TEXT_BYTES = 6 * 1024 * 1024
const MAX_GUIDE_FILE_BYTES = 30 * 1024 * 1024
const ZIP_START = Buffer.from('PK\x03\x04', 'latin1')

type Source = { path: string; text: string; files: Map<string, Buffer> }

function decoded(bytes: Buffer, most = MAX_TEXT_BYTES): string {
  if (bytes.length > most)
    fail(
      'too-large',
      said('A text may have {{most}} MB; this one has {{size}} MB. Nothing was imported.', {
        most: most / 1024 / 1024,
        size: (bytes.length / 1024 / 1024).toFixed(1),
      }),
    )
  if (bytes.length === 0) fail('not-markdown', 'The file is empty.')
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    if (text.includes('\0')) fail('not-markdown', 'The file is not a text. Nothing was imported.')
    return text
  } catch (error) {
    if (error instanceof Refused) throw error
    return fail('not-markdown', 'The file is not a text in UTF-8. Save it as UTF-8 and import it again.')
  }
}

/** The one text to import: the file itself, or the Markdown file of a zip that lies nearest to its top. */
async function sourceOf(bytes: Buffer, fileName: string): Promise<Source> {
  if (!bytes.subarray(0, 4).equals(ZIP_START)) {
    if (/\.zip$/i.test(fileName)) fail('bad-zip', 'The file is named .zip but is none. Nothing was imported.')
    return { path: fileName, text: decoded(bytes), files: new Map() }
  }
  const files = await readZip(bytes)
  const whole = [...files.keys()].find((path) => path === GUIDE_FILE.name || /^[^/]+\/guide\.json$/.test(path))
  if (whole) return { path: whole, text: decoded(known(files, whole), MAX_GUIDE_FILE_BYTES), files }
  const texts = [...files.keys()]
    .filter((path) => MARKDOWN.test(path))
    .sort((a, b) => a.split('/').length - b.split('/').length || a.localeCompare(b))
  const path =
    texts.find((each) => !/\.txt$/i.test(each)) ??
    texts[0] ??
    fail('bad-zip', 'There is no Markdown file (.md) in the zip. Nothing was imported.')
  return { path, text: decoded(known(files, path)), files }
}

const safelyDecoded = (path: string): string => {
  try {
    return decodeURIComponent(path)
  } catch (error) {
    if (error instanceof URIError) return path
    throw error
  }
}

/** The file of a picture, looked for beside the text; paths never lead out of the zip. */
function fileOf(source: Source, picture: DraftPicture): { path: string; bytes: Buffer } | null {
  const wanted = safelyDecoded(picture.path.replace(/[?#].*$/, ''))
  for (const path of [posix.join(posix.dirname(source.path), wanted), posix.normalize(wanted.replace(/^\/+/, ''))]) {
    const bytes = source.files.get(path)
    if (bytes) return { path, bytes }
  }
  return null
}

/** Makes a draft from an uploaded Markdown file or zip and says what came of it. */
export async function importGuide(
  parts: Parts,
  caller: Caller,
  upload: { bytes: Buffer; fileName: string; folderId: FolderId | null },
  now: number,
): Promise<ImportReport> {
  const { decoder } = parts
  const source = await sourceOf(upload.bytes, upload.fileName)
  if (source.path.endsWith(GUIDE_FILE.name)) return importGuideFile(parts, caller, source, upload.folderId, now)
  const read = await decoder.markdown(source.text, source.path)
  if (!read.ok) return fail('not-markdown', read.words)
  const { documentText, pictures, notPlaced } = read.draft
  const used = new Set([source.path])
  const why = source.files.size > 0 ? 'not in the zip' : 'a text alone brings no pictures; import it as a zip with them'
  const { ready, missing } = await readPictures(
    decoder,
    pictures.map((wanted) => {
      const file = fileOf(source, wanted)
      if (file) used.add(file.path)
      return { id: wanted.id, path: wanted.path, ...(file ? { bytes: file.bytes } : { bytes: null, why }) }
    }),
  )
  const done = await decoder.settle(
    { documentText, pictures },
    ready.map((each) => each.id),
  )
  if (!done.ok) return fail('not-markdown', done.words)
  const { settled } = done
  const { id, number } = await storeDraft(parts, caller, { settled, ready, missing, folderId: upload.folderId }, now)
  return {
    ...{ id, number, title: settled.title, steps: settled.steps, sections: settled.sections, pictures: ready.length },
    missingPictures: missing,
    notPlaced: notPlaced.slice(0, 5_000),
    notHere: [],
    otherFiles: otherFiles(source.files, used),
  }
}
