import { htmlOfPages, importHtml, type PdfPage, type PdfPicture, type PdfWords } from '@jackdaw/core/exchange'
import type { NewId } from '@jackdaw/core/shared'
import { getDocument, OPS, type PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs'
import sharp from 'sharp'
import type { Outcome } from './jobs'

/** Pages and pictures of a file that are read; what is smaller than this is decoration, in pixels. */
const MOST_PAGES = 400
const MOST_PICTURES = 300
const LEAST_PX = 40

type Matrix = [number, number, number, number, number, number]
const times = (a: Matrix, b: Matrix): Matrix => [
  a[0] * b[0] + a[2] * b[1],
  a[1] * b[0] + a[3] * b[1],
  a[0] * b[2] + a[2] * b[3],
  a[1] * b[2] + a[3] * b[3],
  a[0] * b[4] + a[2] * b[5] + a[4],
  a[1] * b[4] + a[3] * b[5] + a[5],
]
/** A picture as pdf.js gives it: 1 bit grey, RGB or RGBA. */
type Raw = { width: number; height: number; kind: number; data: Uint8Array | Uint8ClampedArray }

async function pngOf({ width, height, kind, data }: Raw): Promise<Buffer | null> {
  const channels = kind === 3 ? 4 : kind === 2 ? 3 : null
  if (channels === null || data.length < width * height * channels) return null
  return sharp(Buffer.from(data.buffer, data.byteOffset, width * height * channels), { raw: { width, height, channels } })
    .png({ compressionLevel: 6 })
    .toBuffer()
}

const objectOf = (page: PDFPageProxy, name: string): Promise<Raw | null> =>
  new Promise((resolve) => {
    const store = name.startsWith('g_') ? page.commonObjs : page.objs
    const timer = setTimeout(() => resolve(null), 3_000)
    store.get(name, (found: unknown) => {
      clearTimeout(timer)
      resolve((found as Raw | null)?.data ? (found as Raw) : null)
    })
  })

type Found = { path: string; bytes: Buffer }
/** The pictures of a page, where they stand. */
async function picturesOn(page: PDFPageProxy, height: number, files: Found[]): Promise<PdfPicture[]> {
  const { fnArray, argsArray } = await page.getOperatorList()
  const kept: Matrix[] = []
  let at: Matrix = [1, 0, 0, 1, 0, 0]
  const pictures: PdfPicture[] = []
  for (const [n, operator] of fnArray.entries()) {
    const args = argsArray[n] as unknown[]
    if (operator === OPS.save) kept.push(at)
    else if (operator === OPS.restore) at = kept.pop() ?? at
    else if (operator === OPS.transform) at = times(at, args as Matrix)
    else if (operator === OPS.paintImageXObject || operator === OPS.paintInlineImageXObject) {
      const [first] = args
      const raw = typeof first === 'string' ? await objectOf(page, first) : ((first as Raw | undefined) ?? null)
      if (!raw || raw.width < LEAST_PX || raw.height < LEAST_PX || files.length >= MOST_PICTURES) continue
      const bytes = await pngOf(raw)
      if (!bytes) continue
      const path = `pictures/${files.length + 1}.png`
      files.push({ path, bytes })
      pictures.push({ path, top: height - (at[5] + Math.max(at[3], 0)), left: at[4] })
    }
  }
  return pictures
}

async function wordsOn(page: PDFPageProxy, height: number): Promise<PdfWords[]> {
  const { items } = await page.getTextContent()
  return items.flatMap((item): PdfWords[] => {
    if (!('str' in item) || item.str.trim() === '') return []
    const [, , c, d, x, y] = item.transform as Matrix
    const size = Math.hypot(c, d)
    return [{ words: item.str, left: x, top: height - y, size, width: item.width }]
  })
}

/** Makes a draft from the words and pictures of a PDF, in reading order as far as it can be told: a rough start.
 * @param say is told how many pages are read, of how many
 * @returns the pictures by the paths that the draft names */
export async function readPdf(
  bytes: Buffer,
  fileName: string,
  newId: NewId,
  say: (done: number, of: number) => void,
): Promise<Outcome<'document'>> {
  const refused = (words: string) => ({ ok: false, words: `${words} Nothing was imported.` }) as const
  const task = getDocument({
    data: new Uint8Array(bytes),
    isEvalSupported: false,
    isOffscreenCanvasSupported: false,
    disableFontFace: true,
    useSystemFonts: false,
    verbosity: 0,
  })
  try {
    const pdf = await task.promise
    if (pdf.numPages > MOST_PAGES) return refused(`The PDF has ${pdf.numPages} pages; at most ${MOST_PAGES} are read.`)
    const files: Found[] = []
    const pages: PdfPage[] = []
    for (let n = 1; n <= pdf.numPages; n++) {
      const page = await pdf.getPage(n)
      const { height } = page.getViewport({ scale: 1 })
      pages.push({ height, words: await wordsOn(page, height), pictures: await picturesOn(page, height, files) })
      page.cleanup()
      say(n, pdf.numPages)
    }
    const { html, lines } = htmlOfPages(pages)
    if (lines.length === 0)
      return refused('There are no words in the PDF: its pages are pictures. Import those one by one, or have the words read first.')
    const draft = importHtml(html, fileName, newId, lines)
    if (!draft.ok) return draft
    const { document, ...rest } = draft.draft
    return { ok: true, draft: { documentText: JSON.stringify(document), ...rest }, files, rough: true }
  } catch (error) {
    if ((error as Error).name === 'PasswordException')
      return refused('The PDF is protected by a password. Save it without one, and import that.')
    return refused('The PDF is damaged, or is none.')
  } finally {
    await task.destroy()
  }
}
