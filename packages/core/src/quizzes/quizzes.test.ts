import { describe, expect, it } from 'vitest'
import type { BankId, PersonId } from '../shared'
import { attemptsLeft, endsAt, isTold, mayBegin, NO_ALLOWANCE, type AttemptRules, type AttemptsSoFar, type Beginning } from './attempting'
import { findingsOf } from './checkQuiz'
import { QuizDocument, type QuizPart } from './quizDocument'
import { contentOf } from './questions/content'
import type { Question } from './questions/question'
import { aQuestion, optionsOf, questionOf, quizOf } from './testing'

const MINUTE = 60_000
const rules = (more: Partial<AttemptRules> = {}): AttemptRules => ({
  ...{ attempts: null, waitMinutes: 0, timeLimitMinutes: null, opensAt: null, closesAt: null },
  ...more,
})
const soFar = (more: Partial<AttemptsSoFar> = {}): AttemptsSoFar => ({ count: 0, failedAt: null, hasPassed: false, waits: false, ...more })
const NOW = 1_000 * MINUTE

describe('an attempt', () => {
  it.each<[string, Partial<AttemptRules>, Partial<AttemptsSoFar>, Beginning]>([
    ['may be begun', {}, {}, { may: true }],
    ['not before the quiz opens', { opensAt: NOW + 1 }, {}, { may: false, reason: 'not-open-yet', at: NOW + 1 }],
    ['at the instant at which it opens', { opensAt: NOW }, {}, { may: true }],
    ['not once it is closed', { closesAt: NOW }, {}, { may: false, reason: 'closed' }],
    ['not with none left', { attempts: 2 }, { count: 2 }, { may: false, reason: 'none-left' }],
    ['not before somebody has judged the last one', {}, { waits: true }, { may: false, reason: 'waits' }],
    ['not too soon', { waitMinutes: 30 }, { count: 1, failedAt: NOW - 29 * MINUTE }, { may: false, reason: 'too-soon', at: NOW + MINUTE }],
    ['once the time has passed', { waitMinutes: 30 }, { count: 1, failedAt: NOW - 30 * MINUTE }, { may: true }],
    ['at once by whoever has passed', { waitMinutes: 30 }, { count: 2, failedAt: NOW, hasPassed: true }, { may: true }],
  ])('%s', (_, more, done, begins) => expect(mayBegin(rules(more), NO_ALLOWANCE, soFar(done), NOW)).toEqual(begins))

  it('is granted beyond the rules', () => {
    expect(mayBegin(rules({ attempts: 2 }), { extraPercent: 0, extraAttempts: 1 }, soFar({ count: 2 }), NOW)).toEqual({ may: true })
    expect(attemptsLeft(rules({ attempts: 2 }), { extraPercent: 0, extraAttempts: 1 }, 2)).toBe(1)
    expect(attemptsLeft(rules({ attempts: 2 }), NO_ALLOWANCE, 5)).toBe(0)
    expect(attemptsLeft(rules(), NO_ALLOWANCE, 5)).toBeNull()
  })
  it.each<[Partial<AttemptRules>, number, number | null]>([
    [{}, 0, null],
    [{ timeLimitMinutes: 20 }, 0, NOW + 20 * MINUTE],
    [{ timeLimitMinutes: 20 }, 50, NOW + 30 * MINUTE],
    [{ timeLimitMinutes: 20, closesAt: NOW + 5 * MINUTE }, 50, NOW + 5 * MINUTE],
    [{ closesAt: NOW + 5 * MINUTE }, 0, NOW + 5 * MINUTE],
  ])('by %j and %i %% more time ends at %s', (more, extraPercent, end) =>
    expect(endsAt(rules(more), { extraPercent, extraAttempts: 0 }, NOW)).toBe(end),
  )
  it('is told to those who asked for it', () => {
    expect([1, 2, 3, 4].map((failures) => isTold('third-failure', false, failures))).toEqual([false, false, true, false])
    expect([isTold('every', true, 0), isTold('failures', true, 2), isTold('failures', false, 1)]).toEqual([true, false, true])
  })
})

describe('before a quiz is published', () => {
  const bankId = 'b'.repeat(21) as BankId
  const draw = (id: string, count: number, tag: string | null = null): QuizPart => ({ part: 'draw', id, bankId, tag, count })
  const bank = (questions: Question[]) => new Map([[bankId, { title: 'Water', questions }]])
  const asks = (...questions: Question[]): QuizPart[] => questions.map((question, n) => ({ part: 'question', id: `part-${n}x`, question }))
  const said = (parts: QuizPart[], banks = bank([])) =>
    findingsOf(quizOf(parts), banks).map(({ stops, words }) => [stops, words.slice(0, 34)])

  it('nothing is said where nothing is wrong', () => expect(said(asks(aQuestion(1)))).toEqual([]))
  it('an empty one cannot be', () => expect(said([])).toEqual([[true, 'There is no question in it yet.']]))
  it.each<[string, Question]>([
    ['Write the question.', aQuestion(1, { prompt: contentOf(' ') })],
    ['Say which answer is right.', questionOf('one', { options: optionsOf('a', 'b') }, { right: null })],
    ['Say which answer is right.', questionOf('one', { options: optionsOf('a', 'b') }, { right: 'gone-option' })],
    ['Say which answers are right.', questionOf('several', { options: optionsOf('a', 'b') }, { right: [], by: 'all' })],
    ['Give it at least 2 answers.', questionOf('one', { options: optionsOf('a') }, { right: 'option-a' })],
    ['One of the answers is empty.', questionOf('one', { options: optionsOf('a', ' ') }, { right: 'option-a' })],
    ['Write at least one spelling that is accepted.', questionOf('text', {}, { accepted: [' '], slips: 0, sameCase: false })],
    ['Say which number is right.', questionOf('number', { unit: '' }, { right: null, tolerance: { of: 'absolute', amount: 0 } })],
    ['Say in which order they belong.', questionOf('order', { entries: optionsOf('a', 'b') }, { order: ['option-a'], by: 'all' })],
    [
      'Say what belongs to each on the left.',
      questionOf('match', { left: optionsOf('a', 'b'), right: optionsOf('c', 'd') }, { pairs: [['option-a', 'option-b']], by: 'all' }),
    ],
    ['Choose a picture.', questionOf('place', { picture: null }, { areas: [] })],
    ['Draw at least one area that is right.', questionOf('place', { picture: { id: 'p'.repeat(21) as never, alt: '' } }, { areas: [] })],
  ])('%s', (words, question) => expect(said(asks(question))).toEqual([[true, words.slice(0, 34)]]))
  it('somebody has to judge what no rule can, also where it is drawn', () => {
    const key = { words: '', criteria: [{ id: 'why', words: 'Says why', most: 4 }] }
    const reply = (more: Partial<typeof key> = {}) => questionOf('written', { mostCharacters: 100 }, { ...key, ...more })
    const [ada, ben] = ['a', 'b'].map((id) => id.repeat(21) as PersonId) as [PersonId, PersonId]
    const graded = (people: PersonId[], two: boolean, parts = asks(reply())) =>
      findingsOf(quizOf(parts, { graders: { people, two, third: null } }), bank([reply()])).map(({ words }) => words.slice(0, 34))
    expect(graded([ada], false)).toEqual([])
    expect(graded([ada, ben], true, [draw('part-1', 1)])).toEqual([])
    expect(graded([], false, [draw('part-1', 1)])).toEqual(['Some replies are judged by a perso'])
    expect(graded([ada], true)).toEqual(['Two are to judge each reply, and o'])
    expect(graded([ada], false, asks(reply({ criteria: [] })))).toEqual(['Say by what the reply is judged: t'])
    expect(graded([ada], false, asks(reply({ criteria: [{ ...key.criteria[0]!, words: ' ' }] })))).toEqual([
      'A line of the rubric says nothing ',
    ])
    expect(graded([], false, asks(aQuestion(1)))).toEqual([])
  })
  it('sound without captions is told, and stops nothing; a question may consist of it alone', () => {
    const clip = { id: 'c'.repeat(21) as never, kind: 'sound' as const, title: 'The alarm', durationMs: null, poster: null, captions: [] }
    const heard = (more: object) => aQuestion(1, { prompt: { ...contentOf(), clips: [{ ...clip, ...more }] } })
    expect(said(asks(heard({})))).toEqual([[false, 'Sound or video in it has no captio']])
    expect(said(asks(heard({ captions: [{ id: 'k'.repeat(21), language: 'en' }] })))).toEqual([])
  })
  it('a bank that is smaller than what is drawn from it stops it, also when two draw from the same', () => {
    const water = [1, 2, 3].map((n) => aQuestion(n, { tags: ['water'] }))
    expect(said([draw('part-1', 3, 'water')], bank(water))).toEqual([])
    expect(said([draw('part-1', 4, 'water')], bank(water))).toEqual([[true, '{{count}} questions are to be draw']])
    expect(findingsOf(quizOf([draw('part-1', 2), draw('part-2', 2)]), bank(water))).toMatchObject([
      { about: 'part-2', into: { count: 2, there: 1 } },
    ])
    expect(said([draw('part-1', 1)], new Map())).toEqual([[true, 'The bank is not there any more. Ch']])
    expect(said([draw('part-1', 1)], bank([aQuestion(1, { prompt: contentOf() })]))).toEqual([[true, '{{wrong}} of the questions in “{{b']])
  })
  it('with more than ten questions it is suggested to ask five to ten, and that stops nothing', () =>
    expect(said(asks(...Array.from({ length: 11 }, (_, n) => aQuestion(n))))).toEqual([[false, '{{asked}} questions are many. From']]))
})

it('a quiz cannot be kept with two questions of one id, too many of them, or a closing before its opening', () => {
  const part = (n: number, id: number): QuizPart => ({ part: 'question', id: `part-${n}x`, question: aQuestion(id) })
  const wrong = (document: QuizDocument) => QuizDocument.safeParse(document).error?.issues.map(({ path }) => path.join('.'))
  expect(wrong(quizOf([part(1, 1), part(2, 2)]))).toBeUndefined()
  expect(wrong(quizOf([part(1, 1), part(2, 1)]))).toEqual(['parts'])
  expect(wrong(quizOf(Array.from({ length: 500 }, (_, n) => part(n, n))))).toBeUndefined()
  expect(wrong(quizOf(Array.from({ length: 501 }, (_, n) => part(n, n))))).toEqual(['parts'])
  expect(wrong(quizOf([], { opensAt: 2_000, closesAt: 1_000 }))).toEqual(['closesAt'])
})
