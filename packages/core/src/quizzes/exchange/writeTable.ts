import { csvHead, csvLines } from '../../shared'
import { clipsIn, wordsOf, type Content } from '../questions/content'
import type { Question, QuestionOf } from '../questions/question'
import { contentsIn, isFormatted, linesOf, type Lost } from './contents'
import { TABLE_COLUMNS, type TableRow } from './tableForm'

const lines = (all: readonly string[]): string => all.join('\n')
const words = (contents: readonly { content: Content }[]): string => lines(contents.map(({ content }) => wordsOf(content)))
/** The numbers of those among the answers that are right. */
const numbers = (options: readonly { id: string }[], right: readonly string[]): string =>
  options.flatMap(({ id }, n) => (right.includes(id) ? [String(n + 1)] : [])).join('; ')

/** What those who judge a reply go by. */
const rubricCells = ({ key: { words: about, criteria } }: QuestionOf<'written' | 'recorded'>): TableRow => ({
  answers: lines(criteria.map((each) => `${each.most}: ${each.words.replace(/\s+/g, ' ').trim()}`)),
  'for judges': about,
})

/** What is particular to the kind of a question; `null` where a table cannot hold it. */
function ofKind(question: Question): TableRow | null {
  switch (question.kind) {
    case 'one': {
      const { right } = question.key
      return { answers: words(question.ask.options), right: right === null ? '' : numbers(question.ask.options, [right]) }
    }
    case 'several':
      return { answers: words(question.ask.options), right: numbers(question.ask.options, question.key.right), by: question.key.by }
    case 'true-false':
      return { right: String(question.key.right) }
    case 'text': {
      const { accepted, slips, sameCase } = question.key
      return { answers: lines(accepted.map((each) => each.replace(/\s+/g, ' ').trim())), slips: String(slips), case: sameCase ? 'yes' : '' }
    }
    case 'number': {
      const { right, tolerance } = question.key
      if (right === null) return null
      const room = tolerance.amount === 0 ? '' : `${tolerance.amount}${tolerance.of === 'percent' ? ' %' : ''}`
      return { answers: String(right), unit: question.ask.unit, tolerance: room }
    }
    case 'order':
      return { answers: words(question.ask.entries), by: question.key.by }
    case 'match': {
      const { left, right } = question.ask
      const to = new Map(question.key.pairs)
      const named = new Map(right.map(({ id, content }) => [id, wordsOf(content)]))
      const free = right.filter(({ id }) => ![...to.values()].includes(id))
      const pairs = left.map(({ id, content }) => `${wordsOf(content)} >> ${named.get(to.get(id) ?? '') ?? ''}`.trim())
      return { answers: lines([...pairs, ...free.map(({ content }) => `>> ${wordsOf(content)}`)]), by: question.key.by }
    }
    case 'written':
      return { characters: String(question.ask.mostCharacters), ...rubricCells(question) }
    case 'recorded':
      return { seconds: String(question.ask.mostSeconds), 'recorded as': question.ask.by, ...rubricCells(question) }
    case 'place':
      return null
  }
}

/** Writes questions as a table, CSV (RFC 4180), with a list of what that cannot hold. Questions about a place on a picture are left out. */
export function writeTable(questions: readonly Question[]): { text: string; lost: Lost[] } {
  const lost: Lost[] = []
  const rows = questions.flatMap((question, n): TableRow[] => {
    const lose = (what: Lost['what']) => lost.push({ question: n + 1, what })
    const particular = ofKind(question)
    if (particular === null) {
      lose('kind')
      return []
    }
    const contents = contentsIn(question)
    if (contents.some(({ pictures }) => pictures.length > 0)) lose('pictures')
    if (contents.some((content) => clipsIn(content).length > 0)) lose('clips')
    if (contents.some(isFormatted)) lose('formatting')
    if (contents.slice(2).some((content) => linesOf(content).length > 1)) lose('paragraphs')
    if (question.steps.length > 0) lose('steps')
    const { kind, prompt, explanation, points, difficulty, tags } = question
    return [
      {
        ...{ question: lines(linesOf(prompt)), kind, points: String(points), difficulty, tags: tags.join(', ') },
        ...{ explanation: lines(linesOf(explanation)), ...particular },
      },
    ]
  })
  const cells = rows.map((row) => TABLE_COLUMNS.map((column) => row[column] ?? ''))
  return { text: csvHead(TABLE_COLUMNS) + csvLines(cells), lost }
}
