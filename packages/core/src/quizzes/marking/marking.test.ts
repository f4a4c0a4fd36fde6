import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { AnswerTo, AskOf, KeyOf, QuestionKind } from '../questions/questionKinds'
import { kindOf } from '../questions/questionKinds'
import type { Answer } from '../questions/question'
import { optionsOf, questionOf } from '../testing'
import { markOf, type Mark } from './mark'
import { scoreOf } from './score'
import { isSpelled, slipsBetween } from './spelling'

type Case<K extends QuestionKind> = [words: string, ask: AskOf<K>, key: KeyOf<K>, answer: AnswerTo<K>, points: number, language?: string]
const abcd = optionsOf('a', 'b', 'c', 'd')
const [a, b, c, d] = ['option-a', 'option-b', 'option-c', 'option-d'] as [string, string, string, string]
const four = { options: abcd }
const exact = { of: 'absolute', amount: 0 } as const
const bars = { unit: 'bar' }
const tank = { accepted: ['mixing tank', 'Behälter'], slips: 2, sameCase: false }
const pairs = (...list: [string, string][]) => ({ pairs: list })
const right = pairs([a, 'right-1'], [b, 'right-2'], [c, 'right-2'])
const sides = { left: abcd.slice(0, 3), right: abcd }
const areas = { areas: [{ id: 'area-1', x: 0.25, y: 0.5, width: 0.25, height: 0.25 }] }
const shown = { picture: { id: 'p'.repeat(21) as never, alt: '' } }

const TABLE: { [K in QuestionKind]: Case<K>[] } = {
  one: [
    ['the right one', four, { right: b }, { option: b }, 4],
    ['a wrong one', four, { right: b }, { option: a }, 0],
    ['one that is not there', four, { right: b }, { option: 'option-z' }, 0],
    ['nothing is right', four, { right: null }, { option: a }, 0],
  ],
  several: [
    ['all right ones', four, { right: [a, b], by: 'all' }, { options: [b, a] }, 4],
    ['one is missing', four, { right: [a, b], by: 'all' }, { options: [a] }, 0],
    ['one too many', four, { right: [a, b], by: 'all' }, { options: [a, b, c] }, 0],
    ['half of them, by parts', four, { right: [a, b], by: 'parts' }, { options: [a] }, 2],
    ['one right and one wrong, by parts', four, { right: [a, b], by: 'parts' }, { options: [a, c] }, 0],
    ['everything, by parts', four, { right: [a, b], by: 'parts' }, { options: [a, b, c, d] }, 0],
    ['more wrong than right, by parts', four, { right: [a, b], by: 'parts' }, { options: [a, c, d] }, 0],
    ['nothing is right, by parts', four, { right: [], by: 'parts' }, { options: [a] }, 0],
    ['nothing is right, all or nothing', four, { right: [], by: 'all' }, { options: [a] }, 0],
  ],
  'true-false': [
    ['true', {}, { right: true }, { value: true }, 4],
    ['false', {}, { right: false }, { value: false }, 4],
    ['the other', {}, { right: false }, { value: true }, 0],
  ],
  text: [
    ['as it is spelled', {}, tank, { words: 'mixing tank' }, 4],
    ['in capitals, with blanks', {}, tank, { words: '  MIXING   TANK ' }, 4],
    ['another accepted one', {}, tank, { words: 'behälter' }, 4],
    ['with the accent as a sign of its own', {}, tank, { words: 'Beha\u0308lter' }, 4],
    ['two slips', {}, tank, { words: 'mxiing tnak' }, 4],
    ['three slips', {}, tank, { words: 'mxiing tnakk' }, 0],
    ['a slip in a short word', {}, { ...tank, accepted: ['yes'] }, { words: 'yet' }, 0],
    ['another figure', {}, { ...tank, accepted: ['class IP 66'] }, { words: 'class IP 65' }, 0],
    ['another case where it counts', {}, { accepted: ['pH'], slips: 0, sameCase: true }, { words: 'PH' }, 0],
    ['emoji', {}, { accepted: ['🌱 seedling'], slips: 0, sameCase: false }, { words: '🌱 Seedling' }, 4],
    ['from right to left', {}, { accepted: ['مضخة المياه'], slips: 1, sameCase: false }, { words: 'مضخة الميه' }, 4],
    ['no spelling is accepted', {}, { accepted: [], slips: 3, sameCase: false }, { words: 'anything' }, 0],
  ],
  number: [
    ['exactly', bars, { right: 2.5, tolerance: exact }, { words: '2.5' }, 4],
    ['with the unit', bars, { right: 2.5, tolerance: exact }, { words: '2.5 bar' }, 4],
    ['with a comma, in German', bars, { right: 2.5, tolerance: exact }, { words: '2,5 Bar' }, 4, 'de'],
    ['with a comma, in English, where it can mean nothing else', bars, { right: 2.5, tolerance: exact }, { words: '2,5' }, 4],
    ['thousands as English groups them', bars, { right: 1_250, tolerance: exact }, { words: '1,250' }, 4],
    ['the same in German is a decimal', bars, { right: 1.25, tolerance: exact }, { words: '1,250' }, 4, 'de'],
    ['at the edge of an absolute tolerance', bars, { right: 0.3, tolerance: { of: 'absolute', amount: 0.1 } }, { words: '0.4' }, 4],
    ['beyond it', bars, { right: 0.3, tolerance: { of: 'absolute', amount: 0.1 } }, { words: '0.41' }, 0],
    ['at the edge of a percentage', bars, { right: -200, tolerance: { of: 'percent', amount: 5 } }, { words: '−190' }, 4],
    ['beyond that', bars, { right: -200, tolerance: { of: 'percent', amount: 5 } }, { words: '-189' }, 0],
    ['no number', bars, { right: 2.5, tolerance: exact }, { words: 'two and a half' }, 0],
    ['nothing is right', bars, { right: null, tolerance: exact }, { words: '0' }, 0],
  ],
  order: [
    ['in order', { entries: abcd }, { order: [a, b, c, d], by: 'all' }, { order: [a, b, c, d] }, 4],
    ['two exchanged', { entries: abcd }, { order: [a, b, c, d], by: 'all' }, { order: [b, a, c, d] }, 0],
    ['two exchanged, by parts: five of six pairs', { entries: abcd }, { order: [a, b, c, d], by: 'parts' }, { order: [b, a, c, d] }, 8 / 3],
    ['the reverse, by parts', { entries: abcd }, { order: [a, b, c, d], by: 'parts' }, { order: [d, c, b, a] }, 0],
    ['one left out', { entries: abcd }, { order: [a, b, c, d], by: 'parts' }, { order: [a, b, c] }, 0],
  ],
  match: [
    ['all', sides, { ...right, by: 'all' }, right, 4],
    ['two of three', sides, { ...right, by: 'all' }, pairs([a, 'right-1'], [b, 'right-2']), 0],
    ['two of three, by parts', sides, { ...right, by: 'parts' }, pairs([a, 'right-1'], [b, 'right-2'], [c, 'right-1']), 8 / 3],
    ['nothing belongs together', sides, { pairs: [], by: 'parts' }, right, 0],
  ],
  place: [
    ['inside', shown, areas, { x: 0.3, y: 0.6 }, 4],
    ['at the edge', shown, areas, { x: 0.5, y: 0.75 }, 4],
    ['outside', shown, areas, { x: 0.51, y: 0.6 }, 0],
    ['no area is right', shown, { areas: [] }, { x: 0.3, y: 0.6 }, 0],
  ],
  written: [
    ['a reply', { mostCharacters: 500 }, { words: '', criteria: [{ id: 'why', words: 'Says why', most: 4 }] }, { words: 'Because.' }, 0],
  ],
  recorded: [
    [
      'a clip',
      { by: 'either', mostSeconds: 60 },
      { words: '', criteria: [{ id: 'why', words: 'Says why', most: 4 }] },
      { clipId: 'c'.repeat(21) as never, kind: 'sound', durationMs: null },
      0,
    ],
  ],
}

describe.each(Object.entries(TABLE))('the answer to a question of the kind “%s”', (kind, cases) => {
  it.each(cases as Case<QuestionKind>[])('%s', (_, ask, key, answer, points, language = 'en') => {
    const question = questionOf(kind as QuestionKind, ask, key, { points: 4 })
    const told = { kind, answer } as Answer
    const mark = markOf(question, told, { language })
    expect(mark).toEqual({ verdict: mark.verdict, points: expect.closeTo(points, 10), most: 4 })
    const verdict = kindOf(question.kind).judgedBy === 'person' ? 'waits' : points === 0 ? 'wrong' : points < 4 ? 'partly' : 'right'
    expect([mark.verdict, kindOf(question.kind).answer.safeParse(answer).success]).toEqual([verdict, true])
  })
})

it.each<[Answer | null, Mark['verdict']]>([
  [null, 'unanswered'],
  [{ kind: 'text', answer: { words: '  ' } }, 'unanswered'],
  [{ kind: 'number', answer: { words: '5' } }, 'unanswered'],
])('no answer, an empty one and one of another kind are none', (answer, verdict) => {
  const question = questionOf('text', {}, tank)
  expect(markOf(question, answer, { language: 'en' })).toEqual({ verdict, points: 0, most: 1 })
})

it('slips are a letter left out, put in, written for another, or exchanged with its neighbour', () => {
  expect([
    slipsBetween('pump', 'pump', 3),
    slipsBetween('pmup', 'pump', 3),
    slipsBetween('pum', 'pump', 3),
    slipsBetween('kitten', 'sitting', 3),
  ]).toEqual([0, 1, 1, 3])
  expect(slipsBetween('ab', 'wholly other', 2)).toBe(3)
  const word = fc.string({ maxLength: 12 })
  fc.assert(
    fc.property(word, word, (left, other) => {
      const most = 30
      const between = slipsBetween(left, other, most)
      expect(between).toBe(slipsBetween(other, left, most))
      expect(between === 0).toBe(left === other)
      expect(between).toBeLessThanOrEqual(Math.max([...left].length, [...other].length))
    }),
  )
})
it('what is spelled right is so without any slip being let pass', () =>
  fc.assert(fc.property(fc.string(), (words) => isSpelled(words, { accepted: [words], slips: 0, sameCase: true }))))

describe('a score', () => {
  const mark = (points: number, most = 1): Mark => ({ verdict: points === most ? 'right' : points > 0 ? 'partly' : 'wrong', points, most })
  it('is rounded down, so that nobody passes by rounding', () =>
    expect(scoreOf([mark(1), mark(1), mark(0)], 67)).toEqual({ points: 2, most: 3, percent: 66, right: 2, questions: 3, passed: false }))
  it('loses nothing by adding up shares', () =>
    expect(
      scoreOf(
        Array.from({ length: 10 }, () => mark(0.1, 0.1)),
        100,
      ),
    ).toMatchObject({ percent: 100, passed: true }))
  it('is not there as long as somebody has to judge', () =>
    expect(scoreOf([mark(1), { verdict: 'waits', points: 0, most: 1 }], 80)).toBeNull())
  it('weighs questions by their points', () => expect(scoreOf([mark(3, 3), mark(0)], 75)).toMatchObject({ percent: 75, passed: true }))
  it('is whole where no points are to be had', () => expect(scoreOf([], 100)).toMatchObject({ percent: 100, passed: true }))
})
