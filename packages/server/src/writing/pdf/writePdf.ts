import { createWriteStream } from 'node:fs'
import { once } from 'node:events'
import { layOut, type Placed, type PrintedPage } from '@jackdaw/core/exchange'
import PDFDocument from 'pdfkit'
import sharp from 'sharp'
import { textsIn } from '../../words'
import type { PictureFiles, WritingJobs } from '../jobs'
import { bitmap } from '../pictureBitmap'
import { Fonts, type Pdf } from './fonts'
import { Structure } from './structure'

/** Pictures have so many pixels an inch of paper at the most: what printers tell apart. */
const DPI = 220
type Picture = Extract<Placed, { is: 'picture' }>
type Opened = Parameters<Pdf['image']>[0]
/** What pdfkit has and does not declare. */
type Opening = { openImage: (bytes: Buffer) => Opened }

/** The pictures of a PDF: one that is shown twice is kept once. */
class Pictures {
  private readonly opened = new Map<string, Promise<Opened>>()
  constructor(
    private readonly pdf: Pdf,
    private readonly files: PictureFiles,
  ) {}

  open({ picture, from, hidden, widthPt }: Picture): Promise<Opened> | null {
    const file = this.files[picture]
    if (!file) return null
    const mostPx = Math.max(1, (widthPt / 72) * DPI)
    const key = JSON.stringify([picture, from, hidden, Math.round(mostPx)])
    let image = this.opened.get(key)
    if (!image) {
      image = bitmap(file.path, file.mediaType, { from, hidden, mostPx }).then(({ bytes }) =>
        (this.pdf as unknown as Opening).openImage(bytes),
      )
      this.opened.set(key, image)
    }
    return image
  }
}

async function logoOf(data: string): Promise<Buffer> {
  return sharp(Buffer.from(data.slice(data.indexOf(',') + 1), 'base64'))
    .flatten({ background: '#ffffff' })
    .removeAlpha()
    .png()
    .toBuffer()
}

function drawPath(pdf: Pdf, { d, x, y, scale, fill, stroke, lined = 1, cap = 'butt', evenOdd }: Extract<Placed, { is: 'path' }>): void {
  pdf.save().translate(x, y).scale(scale).path(d)
  pdf
    .lineWidth(lined)
    .lineCap(cap)
    .lineJoin(cap === 'square' ? 'miter' : 'round')
  const rule = evenOdd ? 'even-odd' : 'non-zero'
  if (fill && stroke) pdf.fillAndStroke(fill, stroke, rule)
  else if (fill) pdf.fill(fill, rule)
  else if (stroke) pdf.stroke(stroke)
  pdf.restore()
}

/** Everything with which a page is drawn. `ready`: pictures and logos of the page. */
type Drawing = { pdf: Pdf; fonts: Fonts; structure: Structure; ready: ReadonlyMap<Placed, Opened | Buffer> }

function drawWords({ pdf, fonts }: Drawing, { words, style, x, y }: Extract<Placed, { is: 'words' }>): void {
  pdf.fillColor(style.colour).fontSize(style.sizePt)
  let at = x
  for (const run of fonts.runsOf(words, style.font)) {
    pdf.font(run.name).fontSize(style.sizePt).text(run.words, at, y, { lineBreak: false, baseline: 'alphabetic' })
    at += pdf.widthOfString(run.words)
  }
}

function draw(drawing: Drawing, placed: Placed): void {
  const { pdf, ready } = drawing
  switch (placed.is) {
    case 'words':
      return drawWords(drawing, placed)
    case 'path':
      return drawPath(pdf, placed)
    case 'picture': {
      const image = ready.get(placed)
      if (image) pdf.image(image, placed.x, placed.y, { width: placed.widthPt, height: placed.heightPt })
      return
    }
    case 'logo': {
      const image = ready.get(placed)
      if (image) pdf.image(image, placed.x, placed.y, { fit: [placed.widthPt, placed.heightPt], valign: 'center' })
    }
  }
}

/** Puts links over words that lead somewhere. */
function link({ pdf, structure }: Drawing, placed: Placed): void {
  if (placed.is !== 'words' || !placed.to) return
  const { x, y, widthPt, style, words, part } = placed
  const options = { ...(part ? { structParent: structure.elementOf(part) } : {}), Contents: new String(words) }
  const area = [x, y - style.sizePt * 0.8, widthPt, style.sizePt * 1.1] as const
  if ('href' in placed.to) pdf.link(...area, placed.to.href, options as never)
  else pdf.goTo(...area, placed.to.anchor, options as never)
}

function drawPage(drawing: Drawing, page: PrintedPage): void {
  const { pdf, structure } = drawing
  for (let at = 0; at < page.placed.length;) {
    const { part } = page.placed[at]!
    let end = at
    while (end < page.placed.length && page.placed[end]!.part === part) end++
    const items = page.placed.slice(at, end)
    structure.within(part, () => items.forEach((each) => draw(drawing, each)))
    items.forEach((each) => link(drawing, each))
    structure.placed(items)
    at = end
  }
  for (const { name, y } of page.anchors) pdf.addNamedDestination(name, 'XYZ', 0, y - 8, null)
}

/** Bookmarks, each within the last one of a lower level. */
class Bookmarks {
  private readonly open: { level: number; item: PDFKit.PDFOutline }[] = []
  constructor(private readonly pdf: Pdf) {}
  add({ title, level, y }: PrintedPage['marks'][number]): void {
    while (this.open.length > 0 && this.open.at(-1)!.level >= level) this.open.pop()
    const within = this.open.at(-1)?.item ?? this.pdf.outline
    const item = within.addItem(title, { expanded: level === 0, top: y - 8, left: this.pdf.page.width } as never)
    this.open.push({ level, item })
  }
}

/** Makes the pictures and logos of a page ready. */
async function picturesOf(page: PrintedPage | undefined, pictures: Pictures): Promise<Map<Placed, Opened | Buffer>> {
  const ready = new Map<Placed, Opened | Buffer>()
  await Promise.all(
    (page?.placed ?? []).map(async (placed) => {
      const image = placed.is === 'picture' ? await pictures.open(placed) : placed.is === 'logo' ? await logoOf(placed.data) : null
      if (image) ready.set(placed, image)
    }),
  )
  return ready
}

type Asked = WritingJobs['pdf']['asked']
const newPdf = ({ handout, now }: Asked): Pdf =>
  new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    pdfVersion: '1.7',
    subset: 'PDF/UA' as never,
    tagged: true,
    lang: handout.guides.length === 1 ? handout.guides[0]!.document.language : handout.language,
    displayTitle: true,
    info: { Title: handout.title, Producer: 'Jackdaw', Creator: 'Jackdaw', CreationDate: new Date(now) },
  })

/** Writes guides as a PDF: set by the core, drawn here. */
export async function writePdf(asked: Asked, progress: (done: number, of: number) => void): Promise<WritingJobs['pdf']['done']> {
  const pdf = newPdf(asked)
  const out = createWriteStream(asked.file)
  const written = once(out, 'close')
  pdf.pipe(out)
  const fonts = new Fonts(pdf)
  const paper = layOut(asked.handout, asked.paper, fonts, textsIn(asked.language))
  const structure = new Structure(pdf, paper.root, paper.pages)
  const pictures = new Pictures(pdf, asked.pictures)
  const bookmarks = new Bookmarks(pdf)
  let next = picturesOf(paper.pages[0], pictures)
  for (const [n, page] of paper.pages.entries()) {
    const ready = await next
    // Those of the next page are made ready while this one is drawn.
    next = picturesOf(paper.pages[n + 1], pictures)
    // Awaited in the next round; until then it may fail unheard.
    next.catch(() => undefined)
    pdf.addPage({ size: [paper.sheet.widthPt, paper.sheet.heightPt], margin: 0 })
    drawPage({ pdf, fonts, structure, ready }, page)
    page.marks.forEach((mark) => bookmarks.add(mark))
    progress(n + 1, paper.pages.length)
  }
  structure.end()
  pdf.end()
  await written
  return { pages: paper.pages.length, missing: paper.missing }
}
