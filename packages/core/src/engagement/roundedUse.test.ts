import { describe, expect, it } from 'vitest'
import { LEAST_GROUP, shownUse, type GroupUse } from './roundedUse'

const group = (key: string, size: number, people: number, finished: number, views = people): GroupUse<string> => ({
  ...{ key, size, people, finished, views },
})

/** All that can have happened in a company with groups of these sizes: in each so many used it, once or twice each, and so many of these
 * finished it. */
function* worlds(sizes: readonly number[]): Generator<GroupUse<string>[]> {
  const [size, ...others] = sizes
  if (size === undefined) return yield []
  for (const rest of worlds(others))
    for (let people = 0; people <= size; people++)
      for (let finished = 0; finished <= people; finished++)
        for (const times of [1, 2]) yield [group(`${sizes.length}`, size, people, finished, people * times), ...rest]
}

/** What can be known of a count from all that is shown: every value that it has in a company of which the same would be shown. */
function known(sizes: readonly number[], counts: (world: GroupUse<string>[]) => number[]): Set<number>[][] {
  const byPage = new Map<string, Set<number>[]>()
  for (const world of worlds(sizes)) {
    const page = JSON.stringify(shownUse(world, LEAST_GROUP))
    const sets = byPage.get(page) ?? counts(world).map(() => new Set<number>())
    for (const [n, value] of counts(world).entries()) sets[n]!.add(value)
    byPage.set(page, sets)
  }
  return [...byPage.values()]
}

describe('figures for somebody who may not see the people', () => {
  const companies = [[5], [6], [8], [13], [5, 5], [5, 8], [8, 9], [3, 6], [2, 3, 6], [1, 1, 5], [5, 5, 5], [4, 5, 6]]
  it.each(companies.map((sizes) => [sizes.join(' and '), sizes] as const))(
    'never tell of anybody that they did or did not, nor subtract to one person, in groups of %s',
    (_name, sizes) => {
      // Of each group, and of all: who used it, who finished it, who used it and did not finish.
      const counts = (world: GroupUse<string>[]) =>
        [...world.map((each) => [each]), world].flatMap((part) => {
          const sum = (of: (each: GroupUse<string>) => number) => part.reduce((all, each) => all + of(each), 0)
          return [sum((each) => each.people), sum((each) => each.finished), sum((each) => each.people - each.finished)]
        })
      const sizesOf = [...sizes, sizes.reduce((sum, size) => sum + size, 0)]
      for (const page of known(sizes, counts))
        for (const [n, values] of page.entries()) {
          const size = sizesOf[Math.floor(n / 3)]!
          expect(values.size).toBeGreaterThan(1)
          if (n % 3 < 2) expect(values.has(0) && values.size === 1).toBe(false)
          expect([...values].every((value) => value === size)).toBe(false)
          expect([...values].every((value) => value === 1)).toBe(false)
        }
    },
  )
  it('put small groups together by their size, whatever these did', () => {
    const keys = (...sizes: number[]) =>
      shownUse(
        sizes.map((size, n) => group(`${n}`, size, size, 0)),
        LEAST_GROUP,
      )?.groups.map((each) => each.keys)
    expect(keys(9, 7)).toEqual([['1'], ['0']])
    expect(keys(9, 3, 2)).toEqual([['0'], ['1', '2']])
    expect(keys(9, 7, 2)).toEqual([['0'], ['1', '2']])
    expect(keys(2, 2)).toBeUndefined()
    expect(keys()).toBeUndefined()
    expect(shownUse([group('a', 9, 4, 4), group('b', 9, 4, 4)], 10)?.groups).toHaveLength(1)
  })
  it('are near what they round, and the sums of what is shown', () => {
    const shown = shownUse([group('a', 40, 21, 12, 44), group('b', 30, 3, 1, 3)], LEAST_GROUP)
    expect(shown).toMatchObject({ people: 25, finished: 10, timesEach: 2 })
    expect(shownUse([group('a', 8, 8, 8)], LEAST_GROUP)).toMatchObject({ people: 5 })
  })
})
