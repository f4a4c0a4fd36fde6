import * as z from 'zod/mini'
import { ClipKind } from '../../clips'
import { ClipId } from '../../shared'
import { QUIZ_LIMITS } from '../limits'
import { PLAIN, tooLong, type KindOfQuestion } from './kindOfQuestion'

/** Something that a reply is judged by. `most`: its points. */
export const Criterion = z.object({
  id: z.string().check(z.regex(/^[A-Za-z0-9_-]{1,24}$/)),
  words: z.string().check(z.maxLength(QUIZ_LIMITS.criterion)),
  most: z.int().check(z.minimum(1), z.maximum(QUIZ_LIMITS.points)),
})
/** Read by {@link Criterion}. */
export type Criterion = z.infer<typeof Criterion>

/** By what a reply is judged. `words`: what those who judge should know. */
const Rubric = z.object({
  words: z.string().check(z.maxLength(QUIZ_LIMITS.words)),
  criteria: z._default(
    z.array(Criterion).check(
      z.maxLength(QUIZ_LIMITS.criteria),
      z.refine((all) => new Set(all.map(({ id }) => id)).size === all.length, 'Two lines of the rubric have the same id'),
    ),
    [],
  ),
})
type Rubric = z.infer<typeof Rubric>

const judged = {
  ...PLAIN,
  key: Rubric as z.ZodMiniType<Rubric>,
  judgedBy: 'person',
  mark: () => 0,
  lacks: (_: unknown, { criteria }: Rubric) => {
    if (criteria.length === 0) return 'Say by what the reply is judged: the rubric needs at least one line.'
    return criteria.some(({ words }) => words.trim() === '') ? 'A line of the rubric says nothing yet.' : null
  },
  counted: () => [],
  copied: <A>(ask: A, key: Rubric, idOf: (id: string) => string) => ({
    ask,
    key: { ...key, criteria: key.criteria.map((each) => ({ ...each, id: idOf(each.id) })) },
  }),
} as const

const WrittenAsk = z.object({ mostCharacters: z.int().check(z.minimum(50), z.maximum(QUIZ_LIMITS.reply)) })
const WrittenAnswer = z.object({ words: z.string().check(z.maxLength(QUIZ_LIMITS.reply, tooLong(QUIZ_LIMITS.reply))) })

/** A reply in words of one's own, which a person judges. */
export const written: KindOfQuestion<z.infer<typeof WrittenAsk>, Rubric, z.infer<typeof WrittenAnswer>> = {
  ...judged,
  name: 'Written reply',
  ask: WrittenAsk,
  answer: WrittenAnswer,
  isAnswered: ({ words }) => words.trim() !== '',
}

/** `by`: by what it may be replied; `mostSeconds`: how long it may take. */
const RecordedAsk = z.object({
  by: z.enum(['sound', 'video', 'either']),
  mostSeconds: z.int().check(z.minimum(10), z.maximum(QUIZ_LIMITS.replySeconds)),
})
const RecordedAnswer = z.object({ clipId: ClipId, kind: ClipKind, durationMs: z.nullable(z.int().check(z.minimum(0))) })

/** A reply that is spoken or shown, and which a person judges. */
export const recorded: KindOfQuestion<z.infer<typeof RecordedAsk>, Rubric, z.infer<typeof RecordedAnswer>> = {
  ...judged,
  name: 'Recorded reply',
  ask: RecordedAsk,
  answer: RecordedAnswer,
  isAnswered: () => true,
}

/** Whether a question may be replied to by a clip of this kind. */
export const takesKind = ({ by }: { by: 'sound' | 'video' | 'either' }, kind: ClipKind): boolean => by === 'either' || by === kind
