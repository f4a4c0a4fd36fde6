import yauzl from 'yauzl'
import { fail } from '../../http'

/** Limits against zip files that unpack to more than they seem to hold. */
const ZIP_LIMITS = { files: 2_000, fileBytes: 30 * 1024 * 1024, totalBytes: 200 * 1024 * 1024 } as const

const MB = 1024 * 1024
const TOO_MUCH = 'unpacks to too much'
const tooMuch = () =>
  fail(
    'bad-zip',
    `The zip file unpacks to too much: at most ${ZIP_LIMITS.files} files, ${ZIP_LIMITS.fileBytes / MB} MB a file and ${ZIP_LIMITS.totalBytes / MB} MB together. Nothing was imported.`,
  )

const opened = (bytes: Buffer): Promise<yauzl.ZipFile> =>
  new Promise((resolve, reject) =>
    yauzl.fromBuffer(bytes, { lazyEntries: true, validateEntrySizes: true, strictFileNames: false }, (error, zip) =>
      error ? reject(error) : resolve(zip),
    ),
  )

const unpacked = (zip: yauzl.ZipFile, entry: yauzl.Entry, roomBytes: number): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => {
      if (error) return reject(error)
      const parts: Buffer[] = []
      let size = 0
      stream.on('data', (part: Buffer) => {
        size += part.length
        parts.push(part)
        if (size > Math.min(roomBytes, ZIP_LIMITS.fileBytes)) stream.destroy(new Error(TOO_MUCH))
      })
      stream.on('error', reject)
      stream.on('end', () => resolve(Buffer.concat(parts)))
    })
  })

/** Unpacks a zip file in memory. Paths that climb out, absolute paths and files that are larger than they say are refused.
 * @returns path → contents; folders and the notes that some systems add are left out */
export async function readZip(bytes: Buffer): Promise<Map<string, Buffer>> {
  const files = new Map<string, Buffer>()
  try {
    const zip = await opened(bytes)
    if (zip.entryCount > ZIP_LIMITS.files) return tooMuch()
    let total = 0
    for await (const entry of entriesOf(zip)) {
      if (entry.fileName.endsWith('/') || /(^|\/)(__MACOSX|\.DS_Store|Thumbs\.db)(\/|$)/.test(entry.fileName)) continue
      if (entry.generalPurposeBitFlag & 1) return fail('bad-zip', 'The zip file is protected by a password. Nothing was imported.')
      if (entry.uncompressedSize > ZIP_LIMITS.fileBytes || total + entry.uncompressedSize > ZIP_LIMITS.totalBytes) return tooMuch()
      const contents = await unpacked(zip, entry, ZIP_LIMITS.totalBytes - total)
      total += contents.length
      files.set(entry.fileName, contents)
    }
    return files
  } catch (error) {
    if (error instanceof Error && error.name === 'Refused') throw error
    return fail('bad-zip', `${whyUnreadable(error as Error)} Nothing was imported.`)
  }
}

/** What stands in the way, in words of our own: those of the library are for programmers. */
function whyUnreadable({ message }: Error): string {
  if (message === TOO_MUCH) return tooMuch()
  if (/(too many|not enough) bytes in the stream/.test(message)) return 'A file in the zip is larger or smaller than the zip says.'
  if (/invalid relative path|absolute path|invalid characters in fileName/.test(message))
    return 'A file in the zip would lie outside of it.'
  if (/unsupported compression method|strong encryption|multi-disk/.test(message))
    return 'The zip file is packed in a way that is not read here.'
  return 'The zip file is damaged, or is none.'
}

async function* entriesOf(zip: yauzl.ZipFile): AsyncGenerator<yauzl.Entry> {
  for (;;) {
    const entry = await new Promise<yauzl.Entry | null>((resolve, reject) => {
      zip.once('entry', resolve)
      zip.once('end', () => resolve(null))
      zip.once('error', reject)
      zip.readEntry()
    })
    zip.removeAllListeners()
    if (!entry) return
    yield entry
  }
}
