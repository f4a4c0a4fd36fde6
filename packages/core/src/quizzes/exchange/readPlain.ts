import type { NewId, QuestionId } from '../../shared'
import { QUIZ_LIMITS } from '../limits'
import { contentOf, type Content } from '../questions/content'
import { Question } from '../questions/question'
import type { QuestionKind } from '../questions/questionKinds'
import { plainLines, PLAIN_FACTS, readFacts, type PlainFacts, type PlainLine, type PlainMark } from './plainForm'

/** Something that could not be read. `line`: from 1; `into`: what goes into the places of the words. */
export type ReadFault = { line: number; words: string; into?: Record<string, string | number> }
/** What was read from outside: the questions that could be, and what is wrong with the others. */
export type ReadQuestions = { questions: Question[]; faults: ReadFault[] }

/** Something with a mark, and the paragraphs that belong to it. */
type Piece = { line: number; mark: PlainMark; lines: string[] }

/** Lines put together with those that go on with them, by question. */
function piecesOf(lines: readonly PlainLine[], faults: ReadFault[]): Piece[][] {
  const questions: Piece[][] = []
  for (const { line, mark, words } of lines) {
    const here = questions.at(-1)
    if (mark === '?' || mark === '??') questions.push([{ line, mark, lines: words === '' ? [] : [words] }])
    else if (!here) faults.push({ line, words: 'A question begins with “?”. What stands before the first one is left out.' })
    else if (mark === null) here.at(-1)!.lines.push(words)
    else here.push({ line, mark, lines: words === '' ? [] : [words] })
  }
  return questions
}

type Body = { kind: QuestionKind; ask: object; key: object }
type Reading = { pieces: readonly Piece[]; facts: PlainFacts; several: boolean; newId: NewId }
const of = (pieces: readonly Piece[], ...marks: PlainMark[]): Piece[] => pieces.filter(({ mark }) => marks.includes(mark))
const contentIn = ({ lines }: Piece): Content => contentOf(...lines)
const by = ({ parts }: PlainFacts) => (parts ? 'parts' : 'all')

function chosen({ pieces, facts, several, newId }: Reading): Body | null {
  const given = of(pieces, '+', '-')
  if (given.length === 0) return null
  const options = given.map((piece) => ({ id: newId<string>(), content: contentIn(piece), right: piece.mark === '+' }))
  const right = options.filter((option) => option.right).map(({ id }) => id)
  const ask = { options: options.map(({ id, content }) => ({ id, content })) }
  if (several || right.length > 1) return { kind: 'several', ask, key: { right, by: by(facts) } }
  return { kind: 'one', ask, key: { right: right[0] ?? null } }
}
function spelled({ pieces, facts: { slips, sameCase } }: Reading): Body | null {
  const given = of(pieces, '=').map(({ lines }) => lines.join(' '))
  if (given.length === 0) return null
  const [only] = given
  if (given.length === 1 && (only === 'true' || only === 'false')) return { kind: 'true-false', ask: {}, key: { right: only === 'true' } }
  return { kind: 'text', ask: {}, key: { accepted: given, slips, sameCase } }
}
const NUMBER = /^([-−]?\d+(?:\.\d+)?)\s*([^~]*?)\s*(?:~\s*(\d+(?:\.\d+)?)\s*(%?))?$/
function counted({ pieces }: Reading): Body | null {
  const [piece] = of(pieces, '#')
  const found = piece && NUMBER.exec(piece.lines.join(' '))
  if (!found) return null
  const [, value = '', unit = '', amount = '0', percent] = found
  const tolerance = { of: percent ? 'percent' : 'absolute', amount: Number(amount) }
  return { kind: 'number', ask: { unit }, key: { right: Number(value.replace('−', '-')), tolerance } }
}
function ordered({ pieces, facts, newId }: Reading): Body | null {
  const entries = of(pieces, 'n)').map((piece) => ({ id: newId<string>(), content: contentIn(piece) }))
  return entries.length === 0 ? null : { kind: 'order', ask: { entries }, key: { order: entries.map(({ id }) => id), by: by(facts) } }
}
function matched({ pieces, facts, newId }: Reading): Body | null {
  const given = of(pieces, '&')
  if (given.length === 0) return null
  const right = new Map<string, string>()
  const left: { id: string; content: Content }[] = []
  const pairs: [string, string][] = []
  for (const { lines } of given) {
    const [from = '', to = ''] = lines.join(' ').split(/\s*>>\s*/, 2)
    const known = right.get(to) ?? newId<string>()
    if (to !== '') right.set(to, known)
    if (from === '') continue
    const id = newId<string>()
    left.push({ id, content: contentOf(from) })
    if (to !== '') pairs.push([id, known])
  }
  const rights = [...right].map(([words, id]) => ({ id, content: contentOf(words) }))
  return { kind: 'match', ask: { left, right: rights }, key: { pairs, by: by(facts) } }
}
const CRITERION = /^(\d{1,3}):\s+(.*)$/
/** By what a reply is judged. */
function rubricIn(pieces: readonly Piece[], newId: NewId) {
  const lines = of(pieces, '>').flatMap((each) => each.lines)
  const criteria = lines.flatMap((line) => {
    const [, points, words = ''] = CRITERION.exec(line) ?? []
    return points === undefined ? [] : [{ id: newId<string>(), words, most: within(Number(points), 1, QUIZ_LIMITS.points) }]
  })
  const others = lines.filter((line) => !CRITERION.test(line)).map((line) => line.replace(/^\\/, ''))
  return { words: others.join('\n'), criteria }
}
const within = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value))
function writtenReply({ pieces, newId }: Reading): Body | null {
  const [piece] = of(pieces, '_')
  if (!piece) return null
  const most = Number(piece.lines.join(' ').trim() || 2_000)
  return { kind: 'written', ask: { mostCharacters: within(most || 2_000, 50, QUIZ_LIMITS.reply) }, key: rubricIn(pieces, newId) }
}
function recordedReply({ pieces, newId }: Reading): Body | null {
  const [piece] = of(pieces, '@')
  if (!piece) return null
  const [, most = '', by = 'either'] = /^(\d+)?\s*(sound|video)?$/i.exec(piece.lines.join(' ').trim()) ?? []
  const mostSeconds = within(Number(most) || 180, 10, QUIZ_LIMITS.replySeconds)
  return { kind: 'recorded', ask: { by: by.toLowerCase(), mostSeconds }, key: rubricIn(pieces, newId) }
}
const BODIES = [chosen, spelled, counted, ordered, matched, writtenReply, recordedReply]

/** Reads questions from the plain form. A question that cannot be read is left out, and told with its line.
 * @param most how many are read at most */
export function readPlain(text: string, newId: NewId, most: number = QUIZ_LIMITS.questions): ReadQuestions {
  const faults: ReadFault[] = []
  const questions: Question[] = []
  for (const pieces of piecesOf(plainLines(text), faults)) {
    const [prompt] = pieces as [Piece]
    const { line } = prompt
    let facts = PLAIN_FACTS
    for (const piece of of(pieces, ':')) {
      const read = readFacts(piece.lines.join(', '), facts)
      facts = read.facts
      if (read.wrong !== null)
        faults.push({
          line: piece.line,
          words: '“{{what}}” is not understood here; the rest of the question is taken.',
          into: { what: read.wrong },
        })
    }
    const bodies = BODIES.flatMap((body) => body({ pieces, facts, several: prompt.mark === '??', newId }) ?? [])
    if (questions.length >= most) {
      faults.push({ line, words: 'More than {{most}} questions are not taken. Put the rest into another file.', into: { most } })
      break
    }
    if (bodies.length !== 1) {
      const words =
        bodies.length === 0
          ? 'Nothing says how this question is answered. It is left out.'
          : 'This question is answered in two ways at once. It is left out.'
      faults.push({ line, words })
      continue
    }
    const explanation = of(pieces, '!').flatMap(({ lines }) => lines)
    const parsed = Question.safeParse({
      ...{ id: newId<QuestionId>(), prompt: contentIn(prompt), explanation: contentOf(...explanation), steps: [] },
      ...{ points: facts.points, difficulty: facts.difficulty, tags: facts.tags, ...bodies[0] },
    })
    if (parsed.success) questions.push(parsed.data)
    else
      faults.push({
        line,
        words: 'This question breaks a limit and is left out: {{why}}',
        into: { why: parsed.error.issues[0]?.message ?? '' },
      })
  }
  return { questions, faults }
}
