import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { questionId } from '../testing'
import { analyse, type AnsweredQuestion, type JudgedAttempt } from './analyse'
import { reliabilityOf } from './reliability'
import { remarkOn, remarkOnReliability } from './remarks'
import { correlationOf, medianOf } from './statistics'

const answer = (n: number, share: number, more: Partial<AnsweredQuestion> = {}): AnsweredQuestion => ({
  ...{
    questionId: questionId(n),
    points: share,
    most: 1,
    verdict: share === 1 ? 'right' : 'wrong',
    activeMs: 1_000,
    choices: [share === 1 ? 'key' : 'other'],
  },
  ...more,
})
const attempt = (shares: readonly number[], person = 0): JudgedAttempt => ({
  ...{ personId: String(person), number: 1, passed: true, percent: 0 },
  answers: shares.map((share, n) => answer(n + 1, share)),
})

/** The answers of 1,000 people to five questions of the Law School Admission Test, section 6, by pattern (R. Bock, M. Lieberman, Fitting a response model
 * for n dichotomously scored items, Psychometrika 35, 1970), one digit for each question, 1 for right. */
const LSAT_6: Record<string, number> = {
  ...{
    '00000': 3,
    '00001': 6,
    '00010': 2,
    '00011': 11,
    '00100': 1,
    '00101': 1,
    '00110': 3,
    '00111': 4,
    '01000': 1,
    '01001': 8,
    '01010': 0,
  },
  ...{ '01011': 16, '01100': 0, '01101': 3, '01110': 2, '01111': 15, '10000': 10, '10001': 29, '10010': 14, '10011': 81, '10100': 3 },
  ...{ '10101': 28, '10110': 15, '10111': 80, '11000': 16, '11001': 56, '11010': 21, '11011': 173, '11100': 11, '11101': 61, '11110': 28 },
  ...{ '11111': 298 },
}
const lsat = Object.entries(LSAT_6).flatMap(([pattern, count]) =>
  Array.from({ length: count }, (_, n) => attempt([...pattern].map(Number), n)),
)

describe('against worked examples from the literature', () => {
  const figures = analyse(lsat, [])
  it('difficulties of LSAT 6 (D. Rizopoulos, ltm, Journal of Statistical Software 17(5), 2006)', () =>
    expect(figures.questions.map(({ difficulty }) => difficulty)).toEqual([0.924, 0.709, 0.553, 0.763, 0.87]))
  it('point-biserial correlations of LSAT 6 with the rest of the test (same source)', () => {
    // There the spread of the rest is divided by n - 1, and that of the question by n.
    const asThere = Math.sqrt(999 / 1_000)
    expect(figures.questions.map(({ discrimination }) => Number((discrimination! * asThere).toFixed(4)))).toEqual([
      0.1128, 0.1531, 0.1727, 0.1444, 0.1215,
    ])
  })
  it('the reliability of LSAT 6 (same source), by KR-20', () => {
    expect(figures.reliability).toMatchObject({ known: true, by: 'kr-20', attempts: 1_000, questions: 5 })
    expect(figures.reliability.known && Number(figures.reliability.value.toFixed(3))).toBe(0.295)
  })
  it('the point-biserial by Lev’s formula: the difference of the means in standard deviations, times the root of p q', () =>
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(0, 1), fc.integer({ min: 0, max: 40 })), { minLength: 3, maxLength: 40 }), (pairs) => {
        const [right, wrong] = [1, 0].map((is) => pairs.filter(([x]) => x === is).map(([, y]) => y)) as [number[], number[]]
        const mean = (list: number[]) => list.reduce((sum, each) => sum + each, 0) / list.length
        const all = pairs.map(([, y]) => y)
        const deviation = Math.sqrt(mean(all.map((y) => (y - mean(all)) ** 2)))
        fc.pre(right.length > 0 && wrong.length > 0 && deviation > 0)
        const p = right.length / pairs.length
        expect(
          correlationOf(
            pairs.map(([x]) => x),
            all,
          ),
        ).toBeCloseTo(((mean(right) - mean(wrong)) / deviation) * Math.sqrt(p * (1 - p)), 9)
      }),
    ))
  it('alpha of two questions of the same spread is what Spearman and Brown step their correlation up to (1910)', () => {
    const rows = [
      [0.1, 0.2],
      [0.2, 0.1],
      [0.9, 0.7],
      [0.7, 0.9],
    ]
    const r = correlationOf(
      rows.map(([x]) => x!),
      rows.map(([, y]) => y!),
    )!
    expect(reliabilityOf(rows)).toEqual({
      known: true,
      by: 'alpha',
      value: expect.closeTo((2 * r) / (1 + r), 10),
      attempts: 4,
      questions: 2,
    })
  })
})

describe('odd cases', () => {
  it('all answers the same: there is no correlation and no reliability, and it is said why', () => {
    const figures = analyse([attempt([1, 1]), attempt([1, 1]), attempt([1, 1])], [1, 1, 1])
    expect(figures.questions[0]).toMatchObject({ asked: 3, right: 3, difficulty: 1, discrimination: null })
    expect(figures.reliability).toEqual({ known: false, why: 'no-spread' })
    expect(figures.toPass).toMatchObject({ mean: 1, passed: 3 })
  })
  it('no attempt at all, and one alone', () => {
    expect(analyse([], [])).toMatchObject({
      attempts: 0,
      questions: [],
      meanPercent: null,
      reliability: { known: false, why: 'few-attempts' },
    })
    expect(analyse([attempt([1])], [null])).toMatchObject({
      questions: [{ discrimination: null }],
      toPass: { mean: null, passed: 0, people: 1 },
    })
  })
  it('attempts with other questions have no reliability together', () =>
    expect(analyse([attempt([1, 0]), attempt([1, 0, 1])], []).reliability).toEqual({ known: false, why: 'other-questions' }))
  it('what was not answered is counted, and takes no time', () => {
    const silent = { ...attempt([]), answers: [answer(1, 0, { verdict: 'unanswered', activeMs: 0, choices: [] }), answer(2, 1)] }
    const [first] = analyse([silent, attempt([1, 0])], []).questions
    expect(first).toMatchObject({ asked: 2, unanswered: 1, medianMs: 1_000, choices: [{ choice: 'key', count: 1, elsewhere: 0 }] })
  })
  it('the median of an even number lies between', () =>
    expect([medianOf([3, 1, 2]), medianOf([4, 1, 2, 3]), medianOf([])]).toEqual([2, 2.5, null]))
})

describe('a sentence on a question', () => {
  const figures = (more: object) => ({
    ...{ questionId: questionId(1), asked: 41, right: 20, unanswered: 0, difficulty: 0.5, discrimination: 0.4, medianMs: 1, choices: [] },
    ...more,
  })
  it.each([
    [{ asked: 9, right: 4 }, 'unknown', 'too few answers'],
    [{ right: 41, difficulty: 1, discrimination: null }, 'look', 'does not show who can do it'],
    [{ right: 0, difficulty: 0, discrimination: null }, 'look', 'look at the key'],
    [{ right: 9, difficulty: 0.22, discrimination: -0.3 }, 'look', 'people who did well elsewhere got it wrong: look at the wording'],
    [
      { right: 9, difficulty: 0.22, choices: [{ choice: 'other', count: 30, elsewhere: 0.5 }] },
      'look',
      'more chose one and the same wrong answer',
    ],
    [{ discrimination: 0.1 }, 'look', 'little to do with how well people do elsewhere'],
    [{ right: 10, difficulty: 0.25 }, 'look', 'it is hard'],
    [{ right: 40, difficulty: 0.97, discrimination: 0.1 }, 'good', 'easy for nearly everybody'],
    [{ right: 39, difficulty: 0.95, discrimination: -0.4 }, 'good', 'easy for nearly everybody'],
    [{ right: 2, difficulty: 0.05, discrimination: -0.4 }, 'look', 'Only {{right}} of {{asked}} got this right: look'],
    [{}, 'good', 'mostly those who did well elsewhere'],
  ])('for %j is %s', (more, tone, words) => {
    const remark = remarkOn(figures(more), 'key')
    expect([remark.tone, remark.words]).toEqual([tone, expect.stringContaining(words)])
  })
  it('on the reliability says what is known, and why nothing is', () => {
    const known = (value: number, attempts = 100) => remarkOnReliability({ known: true, by: 'kr-20', value, attempts, questions: 5 }).tone
    expect([known(0.85), known(0.7), known(0.3), known(0.9, 12)]).toEqual(['good', 'good', 'look', 'unknown'])
    expect(remarkOnReliability({ known: false, why: 'other-questions' }).words).toContain('different questions')
  })
})
