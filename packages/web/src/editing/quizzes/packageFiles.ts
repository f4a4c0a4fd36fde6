import { unzipSync, zipSync, type Unzipped } from 'fflate'

/** Most bytes of a package when it is unpacked, and most files in it. */
const MOST_BYTES = 60_000_000
const MOST_FILES = 5_000

/** A package that cannot be read: it is no archive, or unpacks to more than is taken. */
export class NoPackage extends Error {}

/** The files of a package, by their paths. A single file of XML is a package of its own.
 * @throws NoPackage */
export async function filesIn(file: File): Promise<Unzipped> {
  if (file.size > MOST_BYTES) throw new NoPackage('too large')
  const bytes = new Uint8Array(await file.arrayBuffer())
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return { [file.name]: bytes }
  let [all, count] = [0, 0]
  // Not by the package's own workers: they begin as a text, which no page of ours may run.
  const filter = ({ originalSize }: { originalSize: number }): boolean => (all += originalSize) <= MOST_BYTES && ++count <= MOST_FILES
  const files = ((): Unzipped => {
    try {
      return unzipSync(bytes, { filter })
    } catch (error) {
      throw new NoPackage(error instanceof Error ? error.message : String(error))
    }
  })()
  if (all > MOST_BYTES || count > MOST_FILES) throw new NoPackage('too large')
  return files
}
/** Puts files into an archive. Pictures are packed already. */
export const packed = (texts: Record<string, string>, pictures: Record<string, Uint8Array>): Uint8Array<ArrayBuffer> => {
  const encoder = new TextEncoder()
  const entries = [
    ...Object.entries(texts).map(([path, text]) => [path, [encoder.encode(text), { level: 6 }]] as const),
    ...Object.entries(pictures).map(([path, bytes]) => [path, [bytes, { level: 0 }]] as const),
  ]
  return new Uint8Array(zipSync(Object.fromEntries(entries) as never))
}

/** How large a picture is, in pixels; `null` when it is none that the browser can show. */
export async function sizeOfPicture(picture: Blob): Promise<{ widthPx: number; heightPx: number } | null> {
  try {
    const bitmap = await createImageBitmap(picture)
    const size = { widthPx: bitmap.width, heightPx: bitmap.height }
    bitmap.close()
    return size
  } catch {
    // What cannot be decoded is no picture; whoever asks says so.
    return null
  }
}
