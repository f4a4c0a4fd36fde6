import { clipsIn, wordsOf, type Content } from '../questions/content'
import type { Question, QuestionOf } from '../questions/question'
import { contentsIn, isFormatted, linesOf, type Lost, type LostKind } from './contents'
import { escaped, PLAIN_FACTS } from './plainForm'

/** Content behind a mark: its first line beside it, the others below. */
const marked = (mark: string, content: Content): string[] => {
  const [first = '', ...rest] = linesOf(content)
  return [`${mark} ${first}`.trim(), ...rest.map(escaped)]
}

function bodyOf(question: Question): string[] | null {
  switch (question.kind) {
    case 'one':
      return question.ask.options.flatMap(({ id, content }) => marked(id === question.key.right ? '+' : '-', content))
    case 'several':
      return question.ask.options.flatMap(({ id, content }) => marked(question.key.right.includes(id) ? '+' : '-', content))
    case 'true-false':
      return [`= ${question.key.right}`]
    case 'text':
      return question.key.accepted.map((each) => `= ${each.replace(/\s+/g, ' ').trim()}`)
    case 'number': {
      const { of, amount } = question.key.tolerance
      const room = amount === 0 ? '' : ` ~ ${amount}${of === 'percent' ? ' %' : ''}`
      return question.key.right === null ? null : [`# ${question.key.right} ${question.ask.unit}`.trim() + room]
    }
    case 'order':
      return question.ask.entries.flatMap(({ content }, n) => marked(`${n + 1})`, content))
    case 'match': {
      const { left, right } = question.ask
      const to = new Map(question.key.pairs)
      const words = new Map(right.map(({ id, content }) => [id, wordsOf(content)]))
      const free = right.filter(({ id }) => ![...to.values()].includes(id))
      return [
        ...left.map(({ id, content }) => `& ${wordsOf(content)} >> ${words.get(to.get(id) ?? '') ?? ''}`.trim()),
        ...free.map(({ content }) => `& >> ${wordsOf(content)}`),
      ]
    }
    case 'written':
      return [`_ ${question.ask.mostCharacters}`, ...rubricLines(question)]
    case 'recorded': {
      const { by, mostSeconds } = question.ask
      return [`@ ${mostSeconds}${by === 'either' ? '' : ` ${by}`}`, ...rubricLines(question)]
    }
    case 'place':
      return null
  }
}

/** What those who judge a reply go by. */
const rubricLines = ({ key: { words: about, criteria } }: QuestionOf<'written' | 'recorded'>): string[] => [
  ...about
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => `> ${line.trim().replace(/^(?=\\|\d{1,3}:\s)/, '\\')}`),
  ...criteria.map(({ words, most }) => `> ${most}: ${words.replace(/\s+/g, ' ').trim()}`),
]

function factsOf(question: Question): string[] {
  const { difficulty, points, tags } = question
  const parts = 'by' in question.key && question.key.by === 'parts' ? ['parts'] : []
  const spelling = question.kind === 'text' ? [`${question.key.slips} slips`, ...(question.key.sameCase ? ['case'] : [])] : []
  const said = [
    ...(difficulty === PLAIN_FACTS.difficulty ? [] : [difficulty]),
    ...(points === PLAIN_FACTS.points ? [] : [`${points} points`]),
    ...parts,
    ...(question.kind === 'text' && question.key.slips === PLAIN_FACTS.slips ? spelling.slice(1) : spelling),
    ...(tags.length > 0 ? [`tags ${tags.join(', ')}`] : []),
  ]
  return said.length > 0 ? [`: ${said.join(', ')}`] : []
}

/** Writes questions in the plain form, with a list of what it cannot hold. Questions about a place on a picture are left out. */
export function writePlain(questions: readonly Question[]): { text: string; lost: Lost[] } {
  const lost: Lost[] = []
  const written = questions.flatMap((question, n) => {
    const lose = (what: LostKind) => lost.push({ question: n + 1, what })
    const body = bodyOf(question)
    if (body === null) {
      lose('kind')
      return []
    }
    const contents = contentsIn(question)
    if (contents.some(({ pictures }) => pictures.length > 0)) lose('pictures')
    if (contents.some((content) => clipsIn(content).length > 0)) lose('clips')
    if (contents.some(isFormatted)) lose('formatting')
    if (question.steps.length > 0) lose('steps')
    return [
      [...marked(question.kind === 'several' ? '??' : '?', question.prompt), ...body, ...explained(question), ...factsOf(question)].join(
        '\n',
      ),
    ]
  })
  return { text: `${written.join('\n\n')}\n`, lost }
}
const explained = ({ explanation }: Question): string[] => (linesOf(explanation).length > 0 ? marked('!', explanation) : [])
