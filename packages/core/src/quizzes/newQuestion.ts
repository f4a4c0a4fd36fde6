import { type NewId, type QuestionId } from '../shared'
import { contentOf } from './questions/content'
import type { Question } from './questions/question'
import { kindOf, type AskOf, type KeyOf, type QuestionKind } from './questions/questionKinds'

type Blank<K extends QuestionKind> = (newId: NewId) => { ask: AskOf<K>; key: KeyOf<K> }
const options = (newId: NewId, count: number) => Array.from({ length: count }, () => ({ id: newId<string>(), content: contentOf() }))

const blankRubric = (newId: NewId) => ({ words: '', criteria: [{ id: newId<string>(), words: '', most: 4 }] })

/** What a question of each kind is when one begins to write it. */
const BLANK: { [K in QuestionKind]: Blank<K> } = {
  one: (newId) => ({ ask: { options: options(newId, 3) }, key: { right: null } }),
  several: (newId) => ({ ask: { options: options(newId, 4) }, key: { right: [], by: 'all' } }),
  'true-false': () => ({ ask: {}, key: { right: true } }),
  text: () => ({ ask: {}, key: { accepted: [''], slips: 1, sameCase: false } }),
  number: () => ({ ask: { unit: '' }, key: { right: null, tolerance: { of: 'absolute', amount: 0 } } }),
  order: (newId) => {
    const entries = options(newId, 3)
    return { ask: { entries }, key: { order: entries.map(({ id }) => id), by: 'all' } }
  },
  match: (newId) => {
    const [left, right] = [options(newId, 3), options(newId, 3)]
    return { ask: { left, right }, key: { pairs: left.map(({ id }, n): [string, string] => [id, right[n]!.id]), by: 'parts' } }
  },
  place: () => ({ ask: { picture: null }, key: { areas: [] } }),
  written: (newId) => ({ ask: { mostCharacters: 2_000 }, key: blankRubric(newId) }),
  recorded: (newId) => ({ ask: { by: 'either', mostSeconds: 180 }, key: blankRubric(newId) }),
}

/** A question of a kind as one begins to write it. */
export function newQuestion(kind: QuestionKind, newId: NewId): Question {
  const plain = { prompt: contentOf(), explanation: contentOf(), points: 1, difficulty: 'medium', tags: [], steps: [] } as const
  return { id: newId<QuestionId>(), ...plain, kind, ...BLANK[kind](newId) } as unknown as Question
}

/** The same question under ids of its own, to stand beside the first or in another quiz or bank. */
export function copyOf(question: Question, newId: NewId): Question {
  const ids = new Map<string, string>()
  const idOf = (id: string): string => {
    const known = ids.get(id) ?? newId<string>()
    ids.set(id, known)
    return known
  }
  return { ...question, id: newId<QuestionId>(), ...kindOf(question.kind).copied(question.ask, question.key, idOf) } as Question
}
