import { posix } from 'node:path'
import type { ImportReport } from '@jackdaw/contracts/exchange'
import type { DraftPicture } from '@jackdaw/core/exchange'
import type { FolderId } from '@jackdaw/core/shared'
import type { ReadDocument } from '../../decoding'
import { fail, type Caller, type Parts } from '../../http'
import { readPictures, storeDraft } from './drafting'
import { importGuideFile, otherFiles } from './importGuideFile'
import { sourceOf, type DocumentSource } from './source'

const safelyDecoded = (path: string): string => {
  try {
    return decodeURIComponent(path)
  } catch (error) {
    if (error instanceof URIError) return path
    throw error
  }
}

/** The file of a picture, looked for beside the text; paths never lead out of the zip. */
function fileOf(path: string, files: ReadonlyMap<string, Uint8Array>, picture: DraftPicture): { path: string; bytes: Buffer } | null {
  const wanted = safelyDecoded(picture.path.replace(/[?#].*$/, ''))
  for (const at of [posix.join(posix.dirname(path), wanted), posix.normalize(wanted.replace(/^\/+/, ''))]) {
    const bytes = files.get(at)
    if (bytes) return { path: at, bytes: Buffer.from(bytes) }
  }
  return null
}

/** Reads what was sent into a draft, in the process for strangers' files.
 * @returns also the files in which its pictures are */
async function read({ decoder }: Parts, source: DocumentSource): Promise<ReadDocument> {
  if (source.kind === 'markdown') {
    const markdown = await decoder.markdown(source.text, source.path)
    if (!markdown.ok) return fail('not-markdown', markdown.words)
    return { draft: markdown.draft, files: [], rough: false }
  }
  const { path: fileName } = source
  const document = await decoder.document(
    source.kind === 'html' ? { kind: 'html', text: source.text, fileName } : { kind: source.kind, bytes: source.bytes, fileName },
  )
  return document.ok ? document : fail('not-a-document', document.words)
}

/** Makes a draft from what was sent (Markdown, HTML, Word, PDF, a zip of such a text with its pictures, or the file of a whole guide) and says what came of
 * it. */
export async function importGuide(
  parts: Parts,
  caller: Caller,
  upload: { bytes: Buffer; fileName: string; folderId: FolderId | null },
  now: number,
): Promise<ImportReport> {
  const { decoder } = parts
  const source = await sourceOf(upload.bytes, upload.fileName)
  if (source.kind === 'guide-file') return importGuideFile(parts, caller, source, upload.folderId, now)
  const { draft, files: own, rough } = await read(parts, source)
  const beside: ReadonlyMap<string, Uint8Array> = 'files' in source ? source.files : new Map(own.map((each) => [each.path, each.bytes]))
  const { documentText, pictures, notPlaced } = draft
  const used = new Set([source.path])
  const why = beside.size > 0 ? 'not in the zip' : 'a text alone brings no pictures; import it as a zip with them'
  const { ready, missing } = await readPictures(
    decoder,
    pictures.map((wanted) => {
      const file = fileOf('files' in source ? source.path : '', beside, wanted)
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
    otherFiles: 'files' in source ? otherFiles(source.files, used) : [],
    rough,
  }
}
