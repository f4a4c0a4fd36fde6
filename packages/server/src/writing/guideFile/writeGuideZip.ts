import { readFile } from 'node:fs/promises'
import { GUIDE_FILE, writeGuideFile } from '@jackdaw/core/exchange'
import type { WritingJobs } from '../jobs'
import { ZipFile } from '../zipFile'

/** Writes a whole guide as a file that another Jackdaw takes in: its document, and its pictures as they are stored. */
export async function writeGuideZip(
  { handout, pictures, file, now }: WritingJobs['guide-file']['asked'],
  progress: (done: number, of: number) => void,
): Promise<WritingJobs['guide-file']['done']> {
  const [guide] = handout.guides
  if (!guide) throw new RangeError('no guide')
  const zip = new ZipFile(file, now)
  const types = Object.fromEntries(Object.entries(pictures).map(([id, { mediaType }]) => [id, mediaType]))
  const written = writeGuideFile(guide, types, new Date(now).toISOString())
  zip.text(GUIDE_FILE.name, written.text)
  for (const [n, { id, file: path }] of written.pictures.entries()) {
    const stored = pictures[id]
    if (stored) zip.bytes(path, await readFile(stored.path))
    progress(n + 1, written.pictures.length)
  }
  await zip.end()
  return { pages: null, missing: [] }
}
