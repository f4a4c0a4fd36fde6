import { LINE_HEIGHT, signParts, type Shape } from '../../annotations'
import type { SignId } from '../../guides'
import { escapeHtml } from '../text/blocksHtml'
import type { Figure, FigurePart } from './figure'

/** How what stands on a picture becomes SVG. `sourceOf`: the address of a part of a stored picture; `words`: lines of words, where they are not to be text. */
export type SvgBy = { sourceOf: (part: FigurePart) => string | null; words?: (shape: Extract<Shape, { is: 'words' }>) => string }

const number = (value: number): string => String(Math.round(value * 100) / 100)
const FACES = { sans: "'Source Sans 3',sans-serif", serif: 'Literata,serif' }

function wordsSvg({ lines, x, y, typePx, face, fill, align }: Extract<Shape, { is: 'words' }>): string {
  const rows = lines.map((line, n) => `<tspan x="${number(x)}" y="${number(y + n * typePx * LINE_HEIGHT)}">${escapeHtml(line)}</tspan>`)
  return `<text font-family="${FACES[face]}" font-weight="600" font-size="${number(typePx)}" fill="${fill}" text-anchor="${align}" xml:space="preserve">${rows.join('')}</text>`
}

const partSvg = (part: FigurePart, source: string): string => {
  const { x, y, width, height } = part.to
  return `<image href="${escapeHtml(source)}" x="${number(x)}" y="${number(y)}" width="${number(width)}" height="${number(height)}" preserveAspectRatio="none"/>`
}
const partsSvg = (parts: readonly FigurePart[], { sourceOf }: SvgBy): string =>
  parts
    .map((part) => {
      const source = sourceOf(part)
      return source === null ? '' : partSvg(part, source)
    })
    .join('')

function shapeSvg(shape: Shape, figure: Figure, by: SvgBy): string {
  switch (shape.is) {
    case 'path': {
      const stroke = shape.stroke
        ? ` stroke="${shape.stroke}" stroke-width="${number(shape.widthPx ?? 1)}" stroke-linecap="${shape.cap ?? 'butt'}" stroke-linejoin="${shape.cap === 'square' ? 'miter' : 'round'}"`
        : ''
      return `<path d="${shape.d}" fill="${shape.fill ?? 'none'}"${stroke}/>`
    }
    case 'words':
      return by.words ? by.words(shape) : wordsSvg(shape)
    case 'detail':
      return partsSvg(figure.partsIn(shape.from, shape.to), by)
  }
}

/** A picture with everything drawn on it, as one SVG. @param attributes of its root, behind the view box */
export function figureSvg(figure: Figure, by: SvgBy, attributes: string): string {
  const { x, y, width, height } = figure.ground.shown
  const { covers, drawn } = figure.drawing
  const shapes = [...covers, ...drawn.flatMap((each) => each.shapes)].map((shape) => shapeSvg(shape, figure, by)).join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${[x, y, width, height].map(number).join(' ')}" ${attributes}>${partsSvg(figure.parts, by)}${shapes}</svg>`
}

/** Every part of a stored picture that a figure shows, in insets, too. */
export const partsShown = (figure: Figure): FigurePart[] => [
  ...figure.parts,
  ...figure.drawing.drawn
    .flatMap((each) => each.shapes)
    .flatMap((shape) => (shape.is === 'detail' ? figure.partsIn(shape.from, shape.to) : [])),
]

/** A safety sign as SVG. */
export const signSvg = (id: SignId, sizePx: number): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" width="${sizePx}" height="${sizePx}" aria-hidden="true">${signParts(id)
    .map(({ d, fill, stroke, widthPx, placed }) => {
      const moved = placed ? ` transform="translate(${placed.x} ${placed.y}) scale(${placed.scale})"` : ''
      const line = stroke ? ` stroke="${stroke}" stroke-width="${widthPx ?? 1}" stroke-linecap="round" stroke-linejoin="round"` : ''
      return `<path d="${d}" fill="${fill ?? 'none'}" fill-rule="evenodd"${line}${moved}/>`
    })
    .join('')}</svg>`
