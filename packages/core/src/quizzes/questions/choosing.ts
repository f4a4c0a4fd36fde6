import * as z from 'zod/mini'
import { PLAIN, type KindOfQuestion } from './kindOfQuestion'
import { contentsOf, copiedOptions, OptionId, Options, optionsLack, allDiffer } from './options'
import { QUIZ_LIMITS } from '../limits'

const Ask = z.object({ options: Options })
type Ask = z.infer<typeof Ask>
const OneKey = z.object({ right: z.nullable(OptionId) })
const OneAnswer = z.object({ option: OptionId })
const options = {
  ask: Ask,
  judgedBy: 'rules',
  contents: ({ options: all }: Ask) => contentsOf(all),
  shown: ({ options: all }: Ask, shuffle: <T>(list: readonly T[], part: string) => T[], answers: boolean) => ({
    options: answers ? shuffle(all, 'options') : all,
  }),
} as const

/** One of several options is right. */
export const one: KindOfQuestion<Ask, z.infer<typeof OneKey>, z.infer<typeof OneAnswer>> = {
  ...options,
  name: 'One answer',
  key: OneKey,
  answer: OneAnswer,
  mark: (_, { right }, { option }) => (option === right ? 1 : 0),
  isAnswered: () => true,
  lacks: ({ options: all }, { right }) =>
    optionsLack(all, 2, 'answers') ?? (all.some(({ id }) => id === right) ? null : 'Say which answer is right.'),
  copied: (ask, { right }, idOf) => ({
    ask: { options: copiedOptions(ask.options, idOf) },
    key: { right: right === null ? null : idOf(right) },
  }),
  counted: ({ option }) => [option],
}

/** Options all of which may be chosen or none. */
const Chosen = z.array(OptionId).check(z.maxLength(QUIZ_LIMITS.options), z.refine(allDiffer, 'An option stands there twice'))
/** `all`: only all right ones and no other bring points. `parts`: each right one that is chosen brings its part, and each wrong one takes one away. */
const By = z.enum(['all', 'parts'])
const SeveralKey = z.object({ right: Chosen, by: By })
const SeveralAnswer = z.object({ options: Chosen })

/** Any number of options is right. By parts, guessing brings nothing: who chooses everything has as much taken away as given. */
export const several: KindOfQuestion<Ask, z.infer<typeof SeveralKey>, z.infer<typeof SeveralAnswer>> = {
  ...options,
  name: 'Several answers',
  key: SeveralKey,
  answer: SeveralAnswer,
  mark: (_, { right, by }, answer) => {
    const hits = answer.options.filter((id) => right.includes(id)).length
    const misses = answer.options.length - hits
    if (by === 'all') return hits === right.length && misses === 0 ? 1 : 0
    return right.length === 0 ? 0 : Math.max(0, (hits - misses) / right.length)
  },
  isAnswered: (answer) => answer.options.length > 0,
  lacks: ({ options: all }, { right }) =>
    optionsLack(all, 2, 'answers') ??
    (right.length > 0 && right.every((id) => all.some((option) => option.id === id)) ? null : 'Say which answers are right.'),
  copied: (ask, { right, by }, idOf) => ({
    ask: { options: copiedOptions(ask.options, idOf) },
    key: { right: right.map(idOf), by },
  }),
  counted: (answer) => [...answer.options].sort(),
}

const Nothing = z.object({})
const TrueKey = z.object({ right: z.boolean() })
const TrueAnswer = z.object({ value: z.boolean() })
/** A statement that holds or does not. */
export const trueFalse: KindOfQuestion<object, z.infer<typeof TrueKey>, z.infer<typeof TrueAnswer>> = {
  ...PLAIN,
  name: 'True or false',
  ask: Nothing,
  key: TrueKey,
  answer: TrueAnswer,
  judgedBy: 'rules',
  mark: (_, { right }, { value }) => (value === right ? 1 : 0),
  isAnswered: () => true,
  lacks: () => null,
  counted: ({ value }) => [String(value)],
}
