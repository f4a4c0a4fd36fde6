import { createRequire } from 'node:module'
import type { Font, Type } from '@jackdaw/core/exchange'
import type PDFDocument from 'pdfkit'

export type Pdf = InstanceType<typeof PDFDocument>
/** What pdfkit keeps of a font and does not declare. */
type Outline = { scale: (x: number, y: number) => Outline; translate: (x: number, y: number) => Outline; toSVG: () => string }
type WithGlyphs = {
  _font: {
    font: {
      unitsPerEm: number
      hasGlyphForCodePoint: (code: number) => boolean
      layout: (words: string) => { glyphs: { path: Outline }[]; positions: { xAdvance: number; xOffset: number; yOffset: number }[] }
    }
  }
}

/** The fonts come in parts, by script. */
const PARTS = ['latin', 'latin-ext', 'cyrillic', 'cyrillic-ext', 'greek', 'vietnamese'] as const
const FACES: Record<Font['face'], string> = { serif: 'literata', sans: 'source-sans-3', mono: 'source-code-pro' }
/** Where a face lacks a letter, it is looked for in these. */
const INSTEAD: Record<Font['face'], readonly Font['face'][]> = {
  serif: ['serif', 'sans'],
  sans: ['sans', 'serif'],
  mono: ['mono', 'sans', 'serif'],
}

const file = (face: Font['face'], part: string, { strong, slanted }: Font): string => {
  const name = FACES[face]
  return createRequire(import.meta.url).resolve(
    `@fontsource/${name}/files/${name}-${part}-${strong ? 600 : 400}-${slanted ? 'italic' : 'normal'}.woff`,
  )
}

/** The fonts of a PDF: every letter in that part of a font that has it. */
export class Fonts implements Type {
  private readonly registered = new Set<string>()
  private readonly known = new Map<string, string | null>()

  constructor(private readonly pdf: Pdf) {}

  /** Words in runs of one part of a font. A letter that none has is set in the first: as a box. */
  runsOf(words: string, font: Font): { name: string; words: string }[] {
    const runs: { name: string; words: string }[] = []
    for (const character of words) {
      const last = runs.at(-1)
      const name = /\s/.test(character) && last ? last.name : (this.nameFor(character, font) ?? this.register(font.face, 'latin', font))
      if (last?.name === name) last.words += character
      else runs.push({ name, words: character })
    }
    return runs
  }
  widthOf(words: string, font: Font): number {
    this.pdf.fontSize(1)
    return this.runsOf(words, font).reduce((sum, run) => sum + this.pdf.font(run.name).widthOfString(run.words), 0)
  }
  /** Words as SVG path data. @param x left end, and @param y base line, in the unit of the size */
  outlineOf(words: string, font: Font, size: number, x: number, y: number): string {
    let at = x
    return this.runsOf(words, font)
      .flatMap((run) => {
        this.pdf.font(run.name)
        const { unitsPerEm, layout } = this.glyphs
        const unit = size / unitsPerEm
        const { glyphs, positions } = layout(run.words)
        return glyphs.map(({ path }, n) => {
          const { xAdvance, xOffset, yOffset } = positions[n]!
          const d = path
            .scale(unit, -unit)
            .translate(at + xOffset * unit, y - yOffset * unit)
            .toSVG()
          at += xAdvance * unit
          return d
        })
      })
      .join('')
  }
  lacks(character: string, font: Font): boolean {
    return this.nameFor(character, font) === null
  }

  /** The glyphs of the font that is set. */
  private get glyphs(): WithGlyphs['_font']['font'] {
    const { font } = (this.pdf as unknown as WithGlyphs)._font
    return {
      unitsPerEm: font.unitsPerEm,
      hasGlyphForCodePoint: (code) => font.hasGlyphForCodePoint(code),
      layout: (words) => font.layout(words),
    }
  }
  private nameFor(character: string, font: Font): string | null {
    const key = `${font.face} ${font.strong} ${font.slanted} ${character}`
    let name = this.known.get(key)
    if (name === undefined) this.known.set(key, (name = this.find(character, font)))
    return name
  }
  private find(character: string, font: Font): string | null {
    const code = character.codePointAt(0)!
    for (const face of INSTEAD[font.face])
      for (const part of PARTS) {
        const name = this.register(face, part, font)
        this.pdf.font(name)
        if (this.glyphs.hasGlyphForCodePoint(code)) return name
      }
    return null
  }
  private register(face: Font['face'], part: string, font: Font): string {
    const name = `${face} ${part} ${font.strong ? 600 : 400}${font.slanted ? ' italic' : ''}`
    if (!this.registered.has(name)) {
      this.pdf.registerFont(name, file(face, part, font))
      this.registered.add(name)
    }
    return name
  }
}
