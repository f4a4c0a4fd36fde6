import { digitsOf, passagesOf, type PrivatePassage } from './passages'

/** Between two digits of one number: a little of what people put there. */
const GAP = String.raw`[ \u200b.()/_·-]{0,3}`
const NUMBER_RUN = new RegExp(String.raw`(?<![\p{L}\p{N}])[+(]{0,2}\d(?:${GAP}\d){3,40}(?![\p{L}\p{N}])`, 'gu')
/** A line in a house, behind its number. */
const EXTENSION =
  /(?<=\d[ ,;]{0,3})(?:ext\.?|x|extension|durchwahl|app\.?|wew\.?|int\.?|poste|toestel|ankn\.?|доб\.?|内線)[ .:]{0,2}\d{1,6}(?!\p{N})/giu
/** A word that says that a telephone number follows. */
const RINGS =
  /(?:\b(?:tel|tlf|phone|telephone|telefon|telefoon|telefone|telefono|teléfono|téléphone|tél|fax|mobile?|mob|móvil|movil|celular|cell|cellulare|portable|handy|mobil|kom|komórka|durchwahl|ring|call|ext|gsm|sms|whatsapp)\b|тел|моб|電話|携帯|फ़ोन|☎|📞)[\p{L}]{0,6}[ .:]{0,3}$/iu

const DAY = String.raw`(?:0?[1-9]|[12]\d|3[01])`
const MONTH = String.raw`(?:0?[1-9]|1[0-2])`
const DATE = String.raw`(?:\d{4}([./-])${MONTH}\1${DAY}|${DAY}([./-])${MONTH}\2(?:\d{4}|\d{2})|${MONTH}([./-])${DAY}\3(?:\d{4}|\d{2}))(?!\d)`
/** Dates, times and sizes: digits that are nobody's. They are taken out before numbers are looked for. */
const NOBODYS = new RegExp(
  String.raw`(?<![\d./+-])${DATE}(?![./-]\d)(?:[T ,]+\d{1,2}:\d{2}(?::\d{2})?)?|(?<!\d)\d{1,2}:\d{2}(?::\d{2})?(?!\d)|(?<![\d.])\d{1,3}(?:\.\d{3})+,\d{2}(?!\d)|(?<![\d,])\d{1,3}(?:,\d{3})+(?:\.\d+)?(?!\d)`,
  'g',
)
const masked = (text: string): string => text.replace(NOBODYS, (found) => '\u0000'.repeat(found.length))

/** Whether digits pass the check of payment cards (ISO/IEC 7812-1, annex B; H. P. Luhn, US patent 2950048). */
export function passesLuhn(digits: string): boolean {
  let sum = 0
  for (let i = 0; i < digits.length; i++) {
    const digit = Number(digits[digits.length - 1 - i])
    const doubled = i % 2 === 1 ? digit * 2 : digit
    sum += doubled > 9 ? doubled - 9 : doubled
  }
  return digits.length > 0 && sum % 10 === 0
}

/** Whether an account number passes the check of ISO 13616 (IBAN): rearranged and read as a number it leaves 1 when divided by 97. */
export function passesIban(text: string): boolean {
  const plain = text.replace(/[^\p{L}\p{N}]/gu, '').toUpperCase()
  if (!/^[A-Z]{2}\d{2}[A-Z0-9]{11,30}$/.test(plain)) return false
  let rest = 0
  for (const sign of plain.slice(4) + plain.slice(0, 4)) {
    const value = sign >= 'A' ? String(sign.charCodeAt(0) - 55) : sign
    for (const digit of value) rest = (rest * 10 + Number(digit)) % 97
  }
  return rest === 1
}

/** Groups of three with one sign between them: an amount, unless there are more than amounts on screens have. */
const isAmount = (found: string): boolean => /^[1-9]\d?([ .])\d{3}(?:\1\d{3})?$/.test(found)
/** Groups of digits, as `3-4`. */
const shapeOf = (found: string): string =>
  found
    .split(/\D+/)
    .filter((group) => group !== '')
    .map((group) => group.length)
    .join('-')
/** A year, a span of years, a number and its parts. */
const isSpan = (found: string): boolean => /^(?:19|20)\d{2} ?[-/] ?(?:19|20)\d{2}$/.test(found)

/** Finds telephone numbers: by how they begin, by a word before them, or by being grouped as only they are. */
export function findPhones(level: string): PrivatePassage[] {
  const text = masked(level)
  const isPhone = (found: string, before: string): boolean => {
    const digits = digitsOf(found).length
    if (RINGS.test(before)) return digits >= 4 && digits <= 20
    if (digits < 7 || digits > 18 || isSpan(found)) return false
    if (/^(?:\+|00|\(|0)/.test(found)) return true
    const shape = shapeOf(found)
    if (shape === '3-4') return true
    return digits <= 15 && shape.includes('-') && !isAmount(found) && !/^\d+(?:\.\d+){3,}$/.test(found)
  }
  return [...passagesOf(NUMBER_RUN, text, 'phone', isPhone), ...passagesOf(EXTENSION, level, 'phone')]
}

/** Numbers by which a state or a bank knows one person or house, in the shapes that have letters in them. */
const KNOWN_SHAPES = [
  /(?<![\p{L}\p{N}])[A-Z]{2}\d{2}(?:[ \u200b-]?[A-Z0-9]{1,4}){3,9}(?![\p{L}\p{N}])/gu,
  /(?<![\p{L}\p{N}])\d{8}[ -]?[A-Z](?![\p{L}\p{N}])/gu,
  /(?<![\p{L}\p{N}])[XYZ][ -]?\d{7}[ -]?[A-Z](?![\p{L}\p{N}])/gu,
  /(?<![\p{L}\p{N}])[A-Z]{6}\d{2}[A-Z]\d{2}[A-Z]\d{3}[A-Z](?![\p{L}\p{N}])/gu,
  /(?<![\p{L}\p{N}])[A-Z]{2}(?: ?\d{2}){3} ?[A-D](?![\p{L}\p{N}])/gu,
  /(?<![\p{L}\p{N}])[A-Z]{5}\d{4}[A-Z](?![\p{L}\p{N}])/gu,
  /(?<![\p{L}\p{N}])[A-Z]{3} ?\d{6}(?![\p{L}\p{N}])/gu,
  /(?<![\p{L}\p{N}])[A-Z]{2}[ -]?\d{8,12}(?![\p{L}\p{N}])/gu,
]
const ANY_CASE_IBAN = /(?<![\p{L}\p{N}])[a-z]{2}\d{2}(?:[ \u200b-]?[a-z0-9]){11,30}(?![\p{L}\p{N}])/giu
/** A word that says that an account follows, also a short one. */
const ACCOUNT_WORD =
  /(?:sort code|account|acct|iban|konto|cuenta|compte|conto|rekening|bankgiro|účet|conta|рахунок|giro)[\p{L} ]{0,8}[.:]?[ ]{0,2}$/iu

/** Finds card and account numbers and those by which a state knows people. Eight digits and more in one go are one, unless they are a date:
 * a slip of the pen is as private as the number itself. */
export function findAccounts(level: string): PrivatePassage[] {
  const text = masked(level)
  const isAccount = (found: string, before: string): boolean => {
    const digits = digitsOf(found).length
    if (ACCOUNT_WORD.test(before)) return digits >= 5
    return digits >= 8 && !isAmount(found) && !isSpan(found)
  }
  return [
    ...passagesOf(NUMBER_RUN, text, 'account', isAccount),
    ...KNOWN_SHAPES.flatMap((shape) => passagesOf(shape, level, 'account')),
    ...passagesOf(ANY_CASE_IBAN, level, 'account', passesIban),
  ]
}

const NUMBER = /(?<![\p{L}])[-+]?\d[\d .,:/]*(?![\p{L}])/gu
/** Finds every number. */
export const findNumbers = (level: string): PrivatePassage[] => passagesOf(NUMBER, level, 'number')
