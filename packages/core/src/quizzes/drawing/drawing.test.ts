import { describe, expect, it } from 'vitest'
import { seededIds, type BankId, type QuestionId } from '../../shared'
import { newQuestion, copyOf } from '../newQuestion'
import type { QuizPart } from '../quizDocument'
import { contentOf } from '../questions/content'
import { Difficulty, Question } from '../questions/question'
import { ALL_QUESTION_KINDS } from '../questions/questionKinds'
import { aQuestion, optionsOf, questionId, questionOf, quizOf } from '../testing'
import { AskedQuestion, askedOf } from './asked'
import { drawQuestions, mixOf, seenIn } from './draw'

const bankId = 'b'.repeat(21) as BankId
const draw = (id: string, count: number, tag: string | null = null): QuizPart => ({ part: 'draw', id, bankId, tag, count })
/** A bank of 24: 12 easy, 8 of medium difficulty, 4 hard; every third has the tag “water”. */
const bank = Array.from({ length: 24 }, (_, n) =>
  aQuestion(n, { difficulty: n < 12 ? 'easy' : n < 20 ? 'medium' : 'hard', tags: n % 3 === 0 ? ['water'] : ['light'] }),
)
const edition = (parts: QuizPart[], more = {}) => ({ document: quizOf(parts, more), pools: [{ bankId, title: 'Bank', questions: bank }] })
const ids = (questions: readonly Question[]) => questions.map(({ id }) => id)
const mix = (questions: readonly Question[]) =>
  Difficulty.options.map((level) => questions.filter(({ difficulty }) => difficulty === level).length)

describe('drawing from a bank', () => {
  it('is fair: over 10,000 people each question comes as often as others of its difficulty, as chance allows', () => {
    const counts = new Map<QuestionId, number>()
    const six = edition([draw('part-1', 6)])
    for (let seed = 0; seed < 10_000; seed++)
      for (const id of ids(drawQuestions(six, seed, new Map()))) counts.set(id, (counts.get(id) ?? 0) + 1)
    // Of 12 easy ones 3 are drawn, of 8 medium 2, of 4 hard 1: each of them every fourth time. The bound is the value that chi-square with 23
    // degrees of freedom passes once in 10,000 times, each count having the variance of a draw without putting back.
    const chi = bank.reduce((sum, { id }) => sum + ((counts.get(id) ?? 0) - 2_500) ** 2 / 2_500, 0)
    expect(chi).toBeLessThan(55)
  })
  it('repeats no question for one person before all of its difficulty were asked, over 10,000 attempts, and keeps the mix', () => {
    const six = edition([draw('part-1', 6)])
    for (let person = 0; person < 1_250; person++) {
      const before: QuestionId[][] = []
      for (let n = 0; n < 8; n++) {
        const drawn = drawQuestions(six, person * 31 + n, seenIn(before))
        expect(mix(drawn)).toEqual([3, 2, 1])
        before.push(ids(drawn))
        const seen = seenIn(before)
        // A quarter of each difficulty is drawn each time: after n attempts each was asked either floor(n/4) or ceil(n/4) times.
        for (const { id } of bank) {
          const times = seen.get(id) ?? 0
          if (times < Math.floor((n + 1) / 4) || times > Math.ceil((n + 1) / 4))
            throw new Error(`${id} was asked ${times} times in ${n + 1}`)
        }
      }
    }
  })
  it('can be repeated from its seed, and is another one under another', () => {
    const all = edition([draw('part-1', 6)], { questionOrder: 'shuffled' })
    const [first, again, other] = [7, 7, 8].map((seed) => ids(drawQuestions(all, seed, new Map())))
    expect(again).toEqual(first)
    expect(other).not.toEqual(first)
  })
  it('takes only what has the tag, and nothing twice, however often the same is drawn from', () => {
    const drawn = drawQuestions(edition([draw('part-1', 4, 'water'), draw('part-2', 4, 'water'), draw('part-3', 5)]), 3, new Map())
    expect(drawn.slice(0, 8).every(({ tags }) => tags.includes('water'))).toBe(true)
    expect(new Set(ids(drawn)).size).toBe(13)
  })
  it('takes all there are where the bank is smaller than the draw', () =>
    expect(drawQuestions(edition([draw('part-1', 40)]), 1, new Map())).toHaveLength(24))
  it('does not draw a question that stands in the quiz itself', () => {
    const parts: QuizPart[] = [draw('part-1', 23), { part: 'question', id: 'part-2', question: bank[5]! }]
    expect(new Set(ids(drawQuestions(edition(parts), 1, new Map()))).size).toBe(24)
  })
  it('keeps questions in their order, or shuffles them, as the author has chosen', () => {
    const parts: QuizPart[] = bank.slice(0, 8).map((question, n) => ({ part: 'question', id: `part-${n}x`, question }))
    expect(ids(drawQuestions(edition(parts), 5, new Map()))).toEqual(ids(bank.slice(0, 8)))
    expect(ids(drawQuestions(edition(parts, { questionOrder: 'shuffled' }), 5, new Map()))).not.toEqual(ids(bank.slice(0, 8)))
  })
})

it.each([
  [[12, 8, 4], 6, [3, 2, 1]],
  [[1, 1, 1], 2, [1, 1, 0]],
  [[10, 0, 1], 3, [3, 0, 0]],
  [[0, 0, 0], 0, [0, 0, 0]],
])('of %j, %i are drawn as %j', (sizes, count, drawn) => expect(mixOf(sizes, count)).toEqual(drawn))

describe('a question as it is asked', () => {
  const CANARY = 'canary-in-the-key'
  const answers = optionsOf('one', 'two', 'three', 'four')
  const kept = {
    explanation: {
      ...contentOf(CANARY),
      clips: [
        { id: CANARY, kind: 'video', title: CANARY, durationMs: 987_654, poster: CANARY, captions: [{ id: CANARY, language: 'en' }] },
      ],
    },
    tags: [CANARY],
    steps: [{ guideId: CANARY, stepId: CANARY }],
  } as unknown as Partial<Question>
  const questions = [
    questionOf('one', { options: answers }, { right: 'option-c' }, kept),
    questionOf('several', { options: answers }, { right: ['option-b'], by: 'all' }, kept),
    questionOf('true-false', {}, { right: true }, kept),
    questionOf('text', {}, { accepted: [CANARY], slips: 0, sameCase: false }, kept),
    questionOf('number', { unit: 'l' }, { right: 987_654, tolerance: { of: 'absolute', amount: 0 } }, kept),
    questionOf('order', { entries: answers }, { order: answers.map(({ id }) => id), by: 'all' }, kept),
    questionOf('match', { left: answers, right: answers }, { pairs: [['option-a', 'option-b']], by: 'all' }, kept),
    questionOf('place', { picture: null }, { areas: [{ id: CANARY, x: 0.987654, y: 0, width: 0, height: 0 }] }, kept),
    questionOf('written', { mostCharacters: 100 }, { words: CANARY, criteria: [{ id: CANARY, words: CANARY, most: 1 }] }, kept),
    questionOf('recorded', { by: 'either', mostSeconds: 60 }, { words: CANARY, criteria: [{ id: CANARY, words: CANARY, most: 1 }] }, kept),
  ]
  it('holds nothing of its key, in any kind', () => {
    expect(questions.map(({ kind }) => kind)).toEqual(ALL_QUESTION_KINDS)
    for (const question of questions) {
      const asked = askedOf(question, { answerOrder: 'fixed' }, 1)
      expect(Object.keys(asked).sort()).toEqual(['ask', 'id', 'kind', 'points', 'prompt'])
      expect(AskedQuestion.parse(asked)).toEqual(asked)
      expect(JSON.stringify(asked)).not.toMatch(/canary|987654|difficulty|right":"option|accepted/)
    }
  })
  it('shows what is to be put in order shuffled, also where answers are fixed: each order as often as others', () => {
    const firsts = new Map<string, number>()
    for (let seed = 0; seed < 2_000; seed++) {
      const { ask } = askedOf(questions[5]!, { answerOrder: 'fixed' }, seed) as { ask: { entries: { id: string }[] } }
      const order = ask.entries.map(({ id }) => id).join(' ')
      firsts.set(order, (firsts.get(order) ?? 0) + 1)
    }
    expect(firsts.size).toBe(24)
    expect(Math.max(...firsts.values())).toBeLessThan(2 * Math.min(...firsts.values()) + 20)
  })
  it('keeps answers as they are, or shuffles them', () => {
    const order = (answerOrder: 'fixed' | 'shuffled', seed: number) =>
      (askedOf(questions[0]!, { answerOrder }, seed) as { ask: { options: { id: string }[] } }).ask.options.map(({ id }) => id).join()
    expect(order('fixed', 4)).toBe('option-a,option-b,option-c,option-d')
    expect(new Set([1, 2, 3, 4, 5].map((seed) => order('shuffled', seed))).size).toBeGreaterThan(2)
  })
})

it('a new question of each kind can be kept, and its copy has ids of its own', () => {
  const newId = seededIds(4)
  for (const kind of ALL_QUESTION_KINDS) {
    const question = { ...newQuestion(kind, newId), id: questionId(9) }
    expect(Question.parse(question)).toEqual(question)
    const copy = copyOf(question, newId)
    expect(Question.parse(copy)).toEqual(copy)
    const old = JSON.stringify([question.ask, question.key]).match(/[A-Za-z0-9_-]{21}/g) ?? []
    expect(old.filter((id) => JSON.stringify(copy).includes(id))).toEqual([])
  }
})
