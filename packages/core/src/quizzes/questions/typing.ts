import * as z from 'zod/mini'
import { numberIn } from '../../flow'
import { cutTo, folded } from '../../shared'
import { QUIZ_LIMITS } from '../limits'
import { isSpelled } from '../marking/spelling'
import { PLAIN, tooLong, type KindOfQuestion } from './kindOfQuestion'

const Nothing = z.object({})
const spelling = z.string().check(z.maxLength(QUIZ_LIMITS.spelling))
const TextKey = z.object({
  accepted: z.array(spelling).check(z.maxLength(QUIZ_LIMITS.accepted)),
  /** So many slips are let pass, where the spelling is long enough; see `isSpelled`. */
  slips: z.int().check(z.minimum(0), z.maximum(3)),
  sameCase: z.boolean(),
})
const TextAnswer = z.object({ words: z.string().check(z.maxLength(QUIZ_LIMITS.shortAnswer, tooLong(QUIZ_LIMITS.shortAnswer))) })

/** A word or a few, in one of the accepted spellings. */
export const text: KindOfQuestion<object, z.infer<typeof TextKey>, z.infer<typeof TextAnswer>> = {
  ...PLAIN,
  name: 'Short text',
  ask: Nothing,
  key: TextKey,
  answer: TextAnswer,
  judgedBy: 'rules',
  mark: (_, key, { words }) => (isSpelled(words, key) ? 1 : 0),
  isAnswered: ({ words }) => words.trim() !== '',
  lacks: (_, { accepted }) => (accepted.some((each) => each.trim() !== '') ? null : 'Write at least one spelling that is accepted.'),
  counted: ({ words }) => [cutTo(folded(words), 100)],
}

const NumberAsk = z.object({ unit: z.string().check(z.maxLength(QUIZ_LIMITS.unit)) })
/** `amount` of the tolerance: in the unit, or percent of the right value. */
const NumberKey = z.object({
  right: z.nullable(z.number()),
  tolerance: z.object({ of: z.enum(['absolute', 'percent']), amount: z.number().check(z.minimum(0)) }),
})
const NumberAnswer = z.object({ words: z.string().check(z.maxLength(60, tooLong(60))) })

/** Languages whose way of writing a number is tried where it is none in the person's own: with a point, and with a comma. */
const OTHER_WAYS = ['en', 'de'] as const
/** The number that somebody meant: as people of their language write it, else in the other way where that leaves no doubt; the unit may
 * stand behind it. @returns `null` when it is none */
function numberMeant(words: string, unit: string, language: string): number | null {
  const typed = words.trim()
  const bare = unit !== '' && folded(typed).endsWith(folded(unit)) ? typed.slice(0, typed.length - unit.length).trim() : typed
  for (const way of [language, ...OTHER_WAYS]) {
    const value = numberIn(bare, way)
    if (value !== null) return value
  }
  return null
}
/** Room for what is lost when decimal numbers are kept as binary ones. */
const ROUNDING = 1e-9

/** A number, near enough to the right one. */
export const number: KindOfQuestion<z.infer<typeof NumberAsk>, z.infer<typeof NumberKey>, z.infer<typeof NumberAnswer>> = {
  ...PLAIN,
  name: 'Number',
  ask: NumberAsk,
  key: NumberKey,
  answer: NumberAnswer,
  judgedBy: 'rules',
  mark: ({ unit }, { right, tolerance: { of, amount } }, { words }, { language }) => {
    const value = numberMeant(words, unit, language)
    if (value === null || right === null) return 0
    const room = of === 'absolute' ? amount : (Math.abs(right) * amount) / 100
    return Math.abs(value - right) <= room + ROUNDING * Math.max(1, Math.abs(right)) ? 1 : 0
  },
  isAnswered: ({ words }) => words.trim() !== '',
  lacks: (_, { right }) => (right === null ? 'Say which number is right.' : null),
  counted: ({ words }) => [folded(words)],
}
