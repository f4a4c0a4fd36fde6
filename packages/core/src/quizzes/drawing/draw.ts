import type { QuestionId } from '../../shared'
import { poolOf, type QuizDocument } from '../quizDocument'
import type { QuizEdition } from '../quizEdition'
import { Difficulty, type Question } from '../questions/question'
import { chanceFor, shuffled } from './seeds'

/** How often somebody has been asked questions of a quiz in earlier attempts. */
export type Seen = ReadonlyMap<QuestionId, number>

const LEVELS = Difficulty.options

/** How many of each difficulty are drawn: in proportion to what there is, by the largest remainders (A. Hamilton, 1792), so that every attempt
 * has the same mix. Where remainders are alike, the easier comes first.
 * @param sizes how many questions there are of each difficulty @param count at most as many as there are altogether */
export function mixOf(sizes: readonly number[], count: number): number[] {
  const all = sizes.reduce((sum, size) => sum + size, 0)
  const exact = sizes.map((size) => (all === 0 ? 0 : (count * size) / all))
  const mix = exact.map(Math.floor)
  const byRemainder = exact.map((share, n) => ({ n, left: share - Math.floor(share) })).sort((a, b) => b.left - a.left || a.n - b.n)
  for (const { n } of byRemainder.slice(0, Math.max(0, count - mix.reduce((sum, each) => sum + each, 0)))) mix[n]!++
  return mix
}

/** Draws from one pool: of each difficulty, those that the person has seen least, by chance where they have seen several as often. */
function drawFrom(pool: readonly Question[], count: number, seen: Seen, chance: () => number): Question[] {
  const levels = LEVELS.map((level) => pool.filter(({ difficulty }) => difficulty === level))
  const mix = mixOf(
    levels.map(({ length }) => length),
    Math.min(count, pool.length),
  )
  const chosen = new Set(
    levels.flatMap((level, n) =>
      shuffled(level, chance)
        .sort((a, b) => (seen.get(a.id) ?? 0) - (seen.get(b.id) ?? 0))
        .slice(0, mix[n]),
    ),
  )
  return pool.filter((question) => chosen.has(question))
}

/** The questions of an attempt, in the order in which they are asked. The same edition, seed and `seen` give the same for ever. No question is
 * asked twice: parts that draw from the same bank do not take what another part has taken. Where a pool is smaller than what is to be
 * drawn, all of it is taken.
 * @param seed any integer of 32 bits */
export function drawQuestions({ document, pools }: Pick<QuizEdition, 'document' | 'pools'>, seed: number, seen: Seen): Question[] {
  const taken = new Set<QuestionId>(ownIds(document))
  const byPart = document.parts.map((part) => {
    if (part.part === 'question') return [part.question]
    const bank = pools.find(({ bankId }) => bankId === part.bankId)?.questions ?? []
    const free = poolOf(bank, part.tag).filter(({ id }) => !taken.has(id))
    const drawn = drawFrom(free, part.count, seen, chanceFor(seed, `draw ${part.id}`))
    for (const { id } of drawn) taken.add(id)
    return drawn
  })
  const all = byPart.flat()
  return document.questionOrder === 'shuffled' ? shuffled(all, chanceFor(seed, 'order')) : all
}
const ownIds = ({ parts }: QuizDocument): QuestionId[] => parts.flatMap((part) => (part.part === 'question' ? [part.question.id] : []))

/** How often questions stood in earlier attempts. @param drawn the questions of each */
export function seenIn(drawn: readonly (readonly QuestionId[])[]): Seen {
  const seen = new Map<QuestionId, number>()
  for (const id of drawn.flat()) seen.set(id, (seen.get(id) ?? 0) + 1)
  return seen
}
