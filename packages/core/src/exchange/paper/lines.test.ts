import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { breakLines, textBoxes } from './lines'
import { PLAIN_TYPE } from './testing'
import { fontOf, type Style } from './type'

const style: Style = { font: fontOf('sans'), sizePt: 10, leadingPt: 14, colour: '#000000' }
const linesOf = (words: string, widthPt: number) =>
  breakLines([{ words, style }], PLAIN_TYPE, widthPt).map((line) => line.tokens.map((token) => token.words).join(''))

describe('breaking words into lines', () => {
  it('breaks at blanks, where it is asked to, and a long word where it has to', () => {
    expect(linesOf('Rinse the trays', 60)).toEqual(['Rinse the', 'trays'])
    expect(linesOf('Rinse\nthe trays', 100)).toEqual(['Rinse', 'the trays'])
    expect(linesOf('Nährstoffmischbehälter', 50)).toEqual(['Nährstoffm', 'ischbehält', 'er'])
    expect(linesOf('', 50)).toEqual([''])
  })
  it('keeps a word together of which a part is strong', () => {
    const strong = { ...style, font: fontOf('sans', true) }
    const lines = breakLines(
      [
        { words: 'Open V', style },
        { words: '1', style: strong },
        { words: ' now', style },
      ],
      PLAIN_TYPE,
      35,
    )
    expect(lines.map((line) => line.tokens.map((token) => token.words).join(''))).toEqual(['Open V1', 'now'])
  })
  it('loses no word, and has no line that is wider than its room', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[a-zäż]{1,12}$/), { maxLength: 30 }),
        fc.integer({ min: 20, max: 300 }),
        (words, widthPt) => {
          const lines = breakLines([{ words: words.join(' '), style }], PLAIN_TYPE, widthPt)
          expect(Math.max(...lines.map((line) => line.widthPt))).toBeLessThanOrEqual(widthPt + 0.01)
          expect(
            lines
              .map((line) => line.tokens.map((token) => token.words).join(''))
              .join('')
              .replaceAll(' ', ''),
          ).toBe(words.join(''))
        },
      ),
    )
  })
  it('keeps blanks in code, and has the first two and the last two lines on one page', () => {
    const boxes = textBoxes([{ words: 'a\n  b\n\nc\nd', style }], PLAIN_TYPE, { widthPt: 200, part: null, kept: true })
    expect(boxes.map((box) => box.placed.flatMap((each) => (each.is === 'words' ? [each.words] : [])).join(''))).toEqual([
      'a',
      '  b',
      '',
      'c',
      'd',
    ])
    expect(boxes.map((box) => box.keep ?? false)).toEqual([true, false, false, true, false])
  })
})
