import { describe, expect, it } from 'vitest'
import type { PersonId } from '../../shared'
import type { Criterion } from '../questions/replying'
import { disagreements, gradingOf, judgedMark, pointsOfGrade, whoMayGrade, type Grade, type Grading } from './grading'

const person = (id: string) => id as PersonId
const criteria: Criterion[] = [
  { id: 'shows', words: 'Shows it first', most: 4 },
  { id: 'lets', words: 'Lets the other try', most: 4 },
  { id: 'says', words: 'Says why', most: 2 },
]
const grade = (who: string, shows: number, lets: number, says: number): Grade => ({
  graderId: person(who),
  points: { shows, lets, says },
  words: '',
})

describe('the points of a grade', () => {
  it.each<[Record<string, number>, number]>([
    [{ shows: 4, lets: 4, says: 2 }, 10],
    [{ shows: 3 }, 3],
    [{ shows: 9, lets: -2 }, 4],
    [{ gone: 5 }, 0],
  ])('%j are %i', (points, sum) => expect(pointsOfGrade(criteria, { points })).toBe(sum))
})

describe('how far the judging of a reply is', () => {
  it.each<[string, Grade[], boolean, Grading]>([
    ['nobody yet', [], true, { state: 'waits', waitsFor: 'first' }],
    ['one is enough', [grade('ada', 4, 2, 1)], false, { state: 'settled', by: 'one', points: 7, apart: null }],
    ['one of two', [grade('ada', 4, 2, 1)], true, { state: 'waits', waitsFor: 'second' }],
    [
      'two who agree to a tenth',
      [grade('ada', 4, 2, 1), grade('ben', 4, 3, 1)],
      true,
      { state: 'settled', by: 'two', points: 7.5, apart: 1 },
    ],
    ['two who do not', [grade('ada', 4, 4, 2), grade('ben', 2, 4, 2)], true, { state: 'apart', apart: 2 }],
    [
      'a third settles it, whatever the two gave',
      [grade('ada', 4, 4, 2), grade('ben', 0, 0, 0), grade('cal', 2, 2, 2)],
      true,
      { state: 'settled', by: 'third', points: 6, apart: 10 },
    ],
  ])('%s', (_, grades, two, grading) => expect(gradingOf(criteria, grades, two)).toEqual(grading))
})

it('disagreement is shown by criterion, the farthest apart first', () =>
  expect(
    disagreements(criteria, [grade('ada', 4, 4, 2), grade('ben', 3, 1, 2)]).map(({ criterion, points }) => [criterion.id, points]),
  ).toEqual([
    ['lets', [4, 1]],
    ['shows', [4, 3]],
  ]))

describe('who may judge', () => {
  const graders = { people: [person('ada'), person('ben'), person('cal')], two: true, third: person('dee') }
  const all = new Set(['ada', 'ben', 'cal', 'dee', 'ola', 'eve'].map(person))
  const waits: Grading = { state: 'waits', waitsFor: 'second' }
  const apart: Grading = { state: 'apart', apart: 5 }
  const given = [grade('ada', 1, 1, 1), grade('ben', 4, 4, 2)]
  it.each<[string, Grading, Grade[], ReadonlySet<PersonId>, string, string[]]>([
    ['any of them', { state: 'waits', waitsFor: 'first' }, [], all, 'ola', ['ada', 'ben', 'cal']],
    ['nobody twice', waits, given.slice(0, 1), all, 'ola', ['ben', 'cal']],
    ['nobody their own', { state: 'waits', waitsFor: 'first' }, [], all, 'cal', ['ada', 'ben']],
    ['who settles it', apart, given, all, 'ola', ['dee']],
    ['another one where who settles it has left', apart, given, new Set(['ada', 'ben', 'cal'].map(person)), 'ola', ['cal']],
    ['whose quiz it is, where the others have left', waits, given.slice(0, 1), new Set(['eve', 'ada'].map(person)), 'ola', ['eve']],
    ['whose quiz it is, where all others have judged it', apart, given, new Set(['ada', 'ben', 'eve'].map(person)), 'ola', ['eve']],
    ['nobody their own, whosever quiz it is', waits, [], new Set(['eve'].map(person)), 'eve', []],
    ['nobody where all have left', waits, given.slice(0, 1), new Set(), 'ola', []],
    ['nobody once it is settled', { state: 'settled', by: 'two', points: 5, apart: 0 }, given, all, 'ola', []],
  ])('%s', (_, grading, grades, here, learner, may) =>
    expect(whoMayGrade(graders, grading, grades, here, { learner: person(learner), standIn: person('eve') })).toEqual(may.map(person)),
  )
})

it.each([
  [10, { verdict: 'right', points: 5, most: 5 }],
  [7.5, { verdict: 'partly', points: 3.75, most: 5 }],
  [0, { verdict: 'wrong', points: 0, most: 5 }],
])('of 10 points in the rubric, %f are worth their share of the question’s', (settled, mark) =>
  expect(judgedMark({ points: 5 }, criteria, settled)).toEqual(mark),
)
