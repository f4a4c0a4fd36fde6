import { figureSvg, type Figure, type FigurePart } from '@jackdaw/core/exchange'
import { LINE_HEIGHT, type Shape } from '@jackdaw/core/annotations'
import PDFDocument from 'pdfkit'
import sharp from 'sharp'
import type { PictureFiles } from './jobs'
import { Fonts } from './pdf/fonts'
import { bitmap } from './pictureBitmap'

/** A picture is at most so wide, in pixels. */
const MOST_PX = 1_600

/** Words as outlines: what draws them has no fonts of ours. */
function outlinesBy(fonts: Fonts): (shape: Extract<Shape, { is: 'words' }>) => string {
  return ({ lines, x, y, typePx, face, fill, align }) =>
    lines
      .map((line, n) => {
        const font = { face, strong: true, slanted: false }
        const width = fonts.widthOf(line, font) * typePx
        const left = align === 'middle' ? x - width / 2 : x
        return `<path fill="${fill}" d="${fonts.outlineOf(line, font, typePx, left, y + n * typePx * LINE_HEIGHT)}"/>`
      })
      .join('')
}

/** A PNG with its size in pixels. */
type Flat = { bytes: Buffer; widthPx: number; heightPx: number }

/** Makes flat pictures of figures: what is drawn on them becomes part of the picture, for formats that know no drawing. The next one is begun while one
 * is waited for. */
export class FlatPictures {
  private readonly outlines: ReturnType<typeof outlinesBy>
  private readonly places: ReadonlyMap<Figure, number>
  private readonly begun = new Map<Figure, Promise<Flat>>()

  /** @param inOrder all figures, in the order in which they will be asked for */
  constructor(
    private readonly files: PictureFiles,
    private readonly inOrder: readonly Figure[],
  ) {
    this.outlines = outlinesBy(new Fonts(new PDFDocument({ autoFirstPage: false })))
    this.places = new Map(inOrder.map((figure, n) => [figure, n]))
  }

  of(figure: Figure): Promise<Flat> {
    const flat = this.begin(figure)
    this.begun.delete(figure)
    const next = this.inOrder[(this.places.get(figure) ?? Infinity) + 1]
    // A failure is heard when it is asked for.
    if (next) this.begin(next).catch(() => undefined)
    return flat
  }
  private begin(figure: Figure): Promise<Flat> {
    let flat = this.begun.get(figure)
    if (!flat) this.begun.set(figure, (flat = this.make(figure)))
    return flat
  }
  private async make(figure: Figure): Promise<Flat> {
    const { shown } = figure.ground
    const scale = Math.min(1, MOST_PX / shown.width)
    const widthPx = Math.max(1, Math.round(shown.width * scale))
    const heightPx = Math.max(1, Math.round(shown.height * scale))
    const sources = await this.sourcesOf(figure, scale)
    const svg = figureSvg(
      figure,
      { sourceOf: (part) => sources.get(keyOf(part)) ?? null, words: this.outlines },
      `width="${widthPx}" height="${heightPx}"`,
    )
    const bytes = await sharp(Buffer.from(svg), { unlimited: true })
      .flatten({ background: '#ffffff' })
      .png({ compressionLevel: 8 })
      .toBuffer()
    return { bytes, widthPx, heightPx }
  }

  private async sourcesOf(figure: Figure, scale: number): Promise<Map<string, string>> {
    const sources = new Map<string, string>()
    const details = figure.drawing.drawn
      .flatMap((each) => each.shapes)
      .flatMap((shape) => (shape.is === 'detail' ? figure.partsIn(shape.from, shape.to) : []))
    for (const part of [...figure.parts, ...details]) {
      const stored = this.files[part.picture]
      if (!stored || sources.has(keyOf(part))) continue
      const { bytes, type } = await bitmap(stored.path, stored.mediaType, {
        from: part.from,
        hidden: part.hidden,
        mostPx: Math.max(1, part.to.width * scale),
        passing: true,
      })
      sources.set(keyOf(part), `data:image/${type};base64,${bytes.toString('base64')}`)
    }
    return sources
  }
}
const keyOf = ({ picture, from, hidden, to }: FigurePart): string => JSON.stringify([picture, from, hidden, to])
