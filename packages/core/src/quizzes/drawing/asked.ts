import type { QuizDocument } from '../quizDocument'
import * as z from 'zod/mini'
import { entriesOf, QuestionId } from '../../shared'
import { Content } from '../questions/content'
import type { Question } from '../questions/question'
import { kindOf, QUESTION_KINDS, type AskOf, type QuestionKind } from '../questions/questionKinds'
import { shuffleFor } from './seeds'

const common = { id: QuestionId, prompt: Content, points: z.int() } as const
type Common = { [F in keyof typeof common]: z.infer<(typeof common)[F]> }
/** A question as whoever answers it is shown it: without anything from which it could be told what is right. */
export type AskedQuestion = { [K in QuestionKind]: Common & { kind: K; ask: AskOf<K> } }[QuestionKind]
/** A question as it is asked. */
export const AskedQuestion = z.discriminatedUnion(
  'kind',
  entriesOf(QUESTION_KINDS).map(([kind, { ask }]) => z.object({ ...common, kind: z.literal(kind), ask })) as never,
) as unknown as z.ZodMiniType<AskedQuestion>

/** A question as it is asked in an attempt. What it is made of is named one by one: what is added to questions later is not sent by mistake.
 * @param seed of the attempt */
export function askedOf(
  { id, kind, prompt, points, ask }: Question,
  { answerOrder }: Pick<QuizDocument, 'answerOrder'>,
  seed: number,
): AskedQuestion {
  const shown = kindOf(kind).shown(ask, shuffleFor(seed, id), answerOrder === 'shuffled')
  return { id, kind, prompt, points, ask: shown } as AskedQuestion
}
