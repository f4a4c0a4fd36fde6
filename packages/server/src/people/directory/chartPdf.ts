import { createRequire } from 'node:module'
import { setImmediate } from 'node:timers/promises'
import { CHART, chartOf, layoutChart, lineTo, type Placed } from '@jackdaw/core/orgChart'
import type { PersonId } from '@jackdaw/core/shared'
import PDFDocument from 'pdfkit'
import type { orgChart } from './orgChart'

/** Points of a pixel, and the longest side that readers of PDF take (ISO 32000, annex C). */
const POINTS = 0.75
const LONGEST_POINTS = 14_400
/** Boxes that are drawn in one go: others get their turn in between. */
const AT_ONCE = 40
const PARTS = ['latin', 'latin-ext', 'cyrillic'] as const
const WEIGHTS = [400, 600] as const
type Weight = (typeof WEIGHTS)[number]
const fontFile = (part: string, weight: Weight): string =>
  createRequire(import.meta.url).resolve(`@fontsource/source-sans-3/files/source-sans-3-${part}-${weight}-normal.woff`)

type Pdf = InstanceType<typeof PDFDocument>
/** What pdfkit keeps of a font and does not declare. */
type WithGlyphs = { _font: { font: { hasGlyphForCodePoint: (code: number) => boolean } } }

/** Writes a line of text, each letter in that part of the font that has it; a letter that none has becomes a square.
 * @param room points that it may take: what does not fit is left out */
function write(
  pdf: Pdf,
  text: string,
  { x, y, size, weight, room }: { x: number; y: number; size: number; weight: Weight; room: number },
): void {
  let at = x
  pdf.fontSize(size)
  const partOf = (letter: string): string =>
    PARTS.find((part) => {
      pdf.font(`${part} ${weight}`)
      return (pdf as unknown as WithGlyphs)._font.font.hasGlyphForCodePoint(letter.codePointAt(0)!)
    }) ?? 'latin'
  const runs: { part: string; text: string }[] = []
  for (const letter of text) {
    const last = runs.at(-1)
    const part = letter === ' ' && last ? last.part : partOf(letter)
    if (last?.part === part) last.text += letter
    else runs.push({ part, text: letter })
  }
  for (const run of runs) {
    pdf.font(`${run.part} ${weight}`)
    let shown = run.text
    while (shown !== '' && at + pdf.widthOfString(shown) > x + room) shown = shown.slice(0, -1)
    pdf.text(shown, at, y, { lineBreak: false })
    at += pdf.widthOfString(shown)
    if (shown.length < run.text.length) return
  }
}

function drawBox(pdf: Pdf, { person, x, y, open }: Placed): void {
  const { boxWidth, boxHeight } = CHART
  const more = person.reports.length > 0 && !open ? ` (${person.below})` : ''
  pdf.rect(x, y, boxWidth, boxHeight).lineWidth(1).fillAndStroke('#ffffff', '#7A8794')
  pdf.fillColor('#17212B')
  write(pdf, person.name + more, { x: x + 10, y: y + 6, size: 14, weight: 600, room: boxWidth - 20 })
  pdf.fillColor('#4A5662')
  write(pdf, person.jobTitle, { x: x + 10, y: y + 24, size: 12, weight: 400, room: boxWidth - 20 })
}

/** The org chart as far as it is open, as a PDF of one page that is as large as it needs.
 * @param open whose reports are shown */
export async function chartPdf(chart: Awaited<ReturnType<typeof orgChart>>, open: ReadonlySet<PersonId>, title: string): Promise<Buffer> {
  const { placed, widthPx, heightPx } = layoutChart(chartOf(chart.people).tops, open)
  const scale = Math.min(POINTS, LONGEST_POINTS / Math.max(widthPx, heightPx, 1))
  const pdf = new PDFDocument({
    size: [Math.max(widthPx, 200) * scale, Math.max(heightPx, 100) * scale],
    margin: 0,
    info: { Title: title },
  })
  const parts: Buffer[] = []
  pdf.on('data', (part: Buffer) => parts.push(part))
  const ended = new Promise((resolve) => pdf.once('end', resolve))
  for (const part of PARTS) for (const weight of WEIGHTS) pdf.registerFont(`${part} ${weight}`, fontFile(part, weight))
  pdf.scale(scale)
  for (const each of placed) {
    const line = lineTo(each)
    if (line) pdf.path(line).lineWidth(1).stroke('#7A8794')
  }
  for (const [n, each] of placed.entries()) {
    drawBox(pdf, each)
    if (n % AT_ONCE === AT_ONCE - 1) await setImmediate()
  }
  pdf.end()
  await ended
  return Buffer.concat(parts)
}
