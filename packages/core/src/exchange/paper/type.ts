/** A font on paper: a face, upright or not, of normal or strong weight. */
export type Font = { face: 'serif' | 'sans' | 'mono'; strong: boolean; slanted: boolean }

/** What is to be known of fonts to set words in them. */
export type Type = {
  /** Width of words set in one line, in sizes of the type. */
  widthOf: (words: string, font: Font) => number
  /** Whether a font has no letter for a character; it is then shown as a box. */
  lacks: (character: string, font: Font) => boolean
}

/** How words are set: font, size and distance of lines in points, and colour. */
export type Style = { font: Font; sizePt: number; leadingPt: number; colour: string }

/** A font. */
export const fontOf = (face: Font['face'], strong = false, slanted = false): Font => ({ face, strong, slanted })
