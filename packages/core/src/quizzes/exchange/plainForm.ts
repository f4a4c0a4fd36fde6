import { cutTo } from '../../shared'
import { QUIZ_LIMITS } from '../limits'
import { Difficulty } from '../questions/question'

/** The plain text form for questions: quick to type, a mark at the beginning of each line. A line without a mark goes on with what stands before
 * it, as a paragraph of its own; `\` before a mark makes it a letter; empty lines mean nothing.
 *
 * ```
 * ? Which valve is closed first?          a question; ?? where several answers are right
 * - The outlet                            a wrong answer
 * + The inlet                             a right one
 * ! So that nothing flows in.             the explanation
 * : hard, 2 points, parts, tags water, tank
 * ```
 * `= true` or `= false` for a statement; `= mixing tank` for each accepted spelling of a short text; `# 2.5 bar ~ 0.1` or `~ 5 %` for a number;
 * `1) Close the inlet` and so on for an order; `& pump >> moves water` for a pair, `& >> holds seeds` for one on the right that belongs to none;
 * `_ 2000` for a written reply of at most so many characters, `@ 180` for a recorded one of at most so many seconds (`@ 180 sound` or `@ 180 video` where
 * only one of them will do); `> 4: says why` for each line of its rubric with its points, `> ` for what else those who judge it should know. */
const PLAIN_MARKS = ['??', '?', '+', '-', '=', '#', '&', '_', '@', '>', '!', ':'] as const
/** A mark of the plain form; `n)` stands for any number with a bracket. */
export type PlainMark = (typeof PLAIN_MARKS)[number] | 'n)'

/** A line of the plain form. `words`: what stands behind the mark; `mark`: `null` where it goes on with what stands before it. `line`: from 1. */
export type PlainLine = { line: number; mark: PlainMark | null; words: string }

const NUMBERED = /^\d{1,3}\)(?=\s|$)/
const startOf = (text: string): { mark: PlainMark; length: number } | null => {
  const numbered = NUMBERED.exec(text)
  if (numbered) return { mark: 'n)', length: numbered[0].length }
  const mark = PLAIN_MARKS.find((each) => text.startsWith(each) && /^(\s|$)/.test(text.slice(each.length)))
  return mark ? { mark, length: mark.length } : null
}

/** The lines of a text in the plain form; empty ones are left out. */
export const plainLines = (text: string): PlainLine[] =>
  text.split(/\r\n|\r|\n/).flatMap((each, n): PlainLine[] => {
    const bare = each.trim()
    if (bare === '') return []
    const start = startOf(bare)
    if (start) return [{ line: n + 1, mark: start.mark, words: bare.slice(start.length).trim() }]
    return [{ line: n + 1, mark: null, words: bare.startsWith('\\') ? bare.slice(1) : bare }]
  })
/** A line that is no mark, whatever it begins with. */
export const escaped = (words: string): string => (startOf(words) || words.startsWith('\\') ? `\\${words}` : words)

/** What stands in the line of facts. */
export type PlainFacts = { difficulty: Difficulty; points: number; parts: boolean; slips: number; sameCase: boolean; tags: string[] }
/** The facts of a question of which nothing is said. */
export const PLAIN_FACTS: PlainFacts = { difficulty: 'medium', points: 1, parts: false, slips: 1, sameCase: false, tags: [] }

/** Reads a line of facts onto others.
 * @returns what is not understood, in its words */
export function readFacts(words: string, facts: PlainFacts): { facts: PlainFacts; wrong: string | null } {
  const tagsAt = /(?:^|,)\s*tags\s+/i.exec(words)
  const tags = tagsAt ? words.slice(tagsAt.index + tagsAt[0].length).split(',') : []
  const rest = tagsAt ? words.slice(0, tagsAt.index) : words
  const read = {
    ...facts,
    tags: [...new Set([...facts.tags, ...tags.map((each) => cutTo(each.trim(), QUIZ_LIMITS.tag)).filter(Boolean)])],
  }
  for (const each of rest.split(',').map((part) => part.trim().toLowerCase())) {
    const [, amount, what] = /^(\d+)\s+(points?|slips?)$/.exec(each) ?? []
    if (each === '') continue
    else if (Difficulty.options.includes(each as Difficulty)) read.difficulty = each as Difficulty
    else if (what?.startsWith('point')) read.points = Math.min(QUIZ_LIMITS.points, Math.max(1, Number(amount)))
    else if (what?.startsWith('slip')) read.slips = Math.min(3, Number(amount))
    else if (each === 'parts') read.parts = true
    else if (each === 'case') read.sameCase = true
    else return { facts: read, wrong: each }
  }
  return { facts: { ...read, tags: read.tags.slice(0, QUIZ_LIMITS.tags) }, wrong: null }
}
