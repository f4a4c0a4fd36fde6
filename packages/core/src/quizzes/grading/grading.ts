import * as z from 'zod/mini'
import { PersonId } from '../../shared'
import type { Mark } from '../marking/mark'
import type { Criterion } from '../questions/replying'
import type { Question } from '../questions/question'

/** How somebody has judged a reply: points for each criterion, and words for whoever replied. */
export type Grade = { graderId: PersonId; points: Readonly<Record<string, number>>; words: string }

const MOST_GRADERS = 20
/** Who judges the replies of a quiz. `two`: each reply is judged by two, who do not see what the other has given; `third`: who settles it where they
 * disagree, `null` for any other of the graders. */
export const Graders = z.object({
  people: z.array(PersonId).check(z.maxLength(MOST_GRADERS)),
  two: z.boolean(),
  third: z.nullable(PersonId),
})
/** Read by {@link Graders}. */
export type Graders = z.infer<typeof Graders>
/** Nobody judges replies. */
export const NO_GRADERS: Graders = { people: [], two: false, third: null }
/** All who may have to judge something. */
export const gradersIn = ({ people, third }: Graders): PersonId[] => [...new Set(third === null ? people : [...people, third])]

/** Two graders agree as long as their points lie no farther apart than this share of what could be had. */
const AGREED_SHARE = 0.1

/** The points of a grade. Criteria of which it says nothing have none; more than there is for one counts as all of it. */
export const pointsOfGrade = (criteria: readonly Criterion[], { points }: Pick<Grade, 'points'>): number =>
  criteria.reduce((sum, { id, most }) => sum + Math.min(most, Math.max(0, points[id] ?? 0)), 0)

/** How far the judging of a reply is. `waitsFor`: whose turn it is; `apart`: by how many points the first two differ. */
export type Grading =
  | { state: 'waits'; waitsFor: 'first' | 'second' }
  | { state: 'apart'; apart: number }
  | { state: 'settled'; by: 'one' | 'two' | 'third'; points: number; apart: number | null }

/** How far the judging of a reply is. With two graders who agree, the mean of their points counts; where they do not, what the third gives.
 * @param grades in the order in which they were given, one for each grader at the most */
export function gradingOf(criteria: readonly Criterion[], grades: readonly Grade[], two: boolean): Grading {
  const [first, second, third] = grades.map((grade) => pointsOfGrade(criteria, grade))
  if (first === undefined) return { state: 'waits', waitsFor: 'first' }
  if (!two) return { state: 'settled', by: 'one', points: first, apart: null }
  if (second === undefined) return { state: 'waits', waitsFor: 'second' }
  const apart = Math.abs(first - second)
  if (apart <= AGREED_SHARE * mostOf(criteria)) return { state: 'settled', by: 'two', points: (first + second) / 2, apart }
  return third === undefined ? { state: 'apart', apart } : { state: 'settled', by: 'third', points: third, apart }
}

/** On which criteria two graders have given different points, the farthest apart first. */
export function disagreements(
  criteria: readonly Criterion[],
  [first, second]: readonly [Grade, Grade],
): { criterion: Criterion; points: readonly [number, number] }[] {
  return criteria
    .map((criterion) => ({ criterion, points: [first, second].map((grade) => pointsOfGrade([criterion], grade)) as [number, number] }))
    .filter(({ points: [a, b] }) => a !== b)
    .sort((x, y) => Math.abs(y.points[0] - y.points[1]) - Math.abs(x.points[0] - x.points[1]))
}

/** Who may judge a reply now: graders who work here, have not judged it, and did not write it; where two disagree, whoever settles it. Where the
 * one who settles it has left, any other grader does; where all graders have left or judged it, whoever stands in for them.
 * @param here who of them all works here @param learner who has written the reply
 * @param standIn who owns the quiz
 * @returns nobody where it is settled, or where nobody is left who could */
export function whoMayGrade(
  { people, third }: Graders,
  grading: Grading,
  grades: readonly Pick<Grade, 'graderId'>[],
  here: ReadonlySet<PersonId>,
  { learner, standIn }: { learner: PersonId; standIn: PersonId },
): PersonId[] {
  if (grading.state === 'settled') return []
  const may = (id: PersonId) => here.has(id) && id !== learner && !grades.some(({ graderId }) => graderId === id)
  if (grading.state === 'apart' && third !== null && may(third)) return [third]
  const graders = people.filter(may)
  return graders.length > 0 ? graders : [standIn].filter(may)
}

/** What a reply is worth once its judging is settled. */
export function judgedMark({ points: most }: Pick<Question, 'points'>, criteria: readonly Criterion[], settled: number): Mark {
  const share = settled / mostOf(criteria)
  return { verdict: share >= 1 ? 'right' : share > 0 ? 'partly' : 'wrong', points: share * most, most }
}

/** The points that could be had by all criteria together. */
export const mostOf = (criteria: readonly Criterion[]): number => criteria.reduce((sum, { most }) => sum + most, 0)
