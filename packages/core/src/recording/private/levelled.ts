/** Signs that stand for an ASCII one; as long as what they stand for. */
const SAME: readonly (readonly [signs: RegExp, plain: string])[] = [
  [/[\u00a0\u1680\u2000-\u200a\u202f\u205f\u3000\t]/g, ' '],
  [/[\u2010-\u2015\u2212\u30fc\ufe58\ufe63\uff0d]/g, '-'],
  [/[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2069\ufeff]/g, '\u200b'],
  [/\uff0b/g, '+'],
  [/\uff08/g, '('],
  [/\uff09/g, ')'],
  [/[\uff0e\u3002]/g, '.'],
  [/\uff0f/g, '/'],
  [/[\uff20\ufe6b]/g, '@'],
  [/[\u2018\u2019\u02bc\uff07]/g, "'"],
]
/** The first digits of the scripts that count in tens; each is followed by its other nine. */
const ZEROS = [
  0x660, 0x6f0, 0x7c0, 0x966, 0x9e6, 0xa66, 0xae6, 0xb66, 0xbe6, 0xc66, 0xce6, 0xd66, 0xe50, 0xed0, 0xf20, 0x1040, 0x17e0, 0x1810, 0xff10,
]
const DIGIT = /\p{Nd}/gu

const asciiDigit = (digit: string): string => {
  const code = digit.codePointAt(0)!
  const zero = ZEROS.findLast((each) => each <= code && code < each + 10)
  return zero === undefined ? digit : String(code - zero)
}

/** Text with the digits, spaces, hyphens and brackets of all scripts made those of ASCII, and signs that are not seen made U+200B. It stays
 * as long as it was, so that places in it are places in the text. */
export const levelled = (text: string): string =>
  SAME.reduce((level, [signs, plain]) => level.replace(signs, plain), text).replace(DIGIT, asciiDigit)
