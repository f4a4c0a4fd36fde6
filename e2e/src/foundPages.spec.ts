import { expect, it } from 'vitest'
import { ASIDE_PAGES, OPEN_PAGES } from './finding'
import type { FoundPage, State } from './finding/page'

const labelsOf = (page: FoundPage, state: State): string[] =>
  [
    ...page
      .html(state)
      .replaceAll('&quot;', '"')
      .matchAll(/data-same="([^"]+)"/g),
  ].map(([, label = '']) => label)

it('there are 300 elements on 25 pages to be found again, a third of them set aside, each labelled once', () => {
  const all = [...OPEN_PAGES, ...ASIDE_PAGES]
  expect(all.length).toBeGreaterThanOrEqual(25)
  expect(all.flatMap((page) => labelsOf(page, 'before')).length).toBeGreaterThanOrEqual(300)
  expect(ASIDE_PAGES.length / all.length).toBeGreaterThan(0.33)
  for (const page of all) {
    const [before, after] = [labelsOf(page, 'before'), labelsOf(page, 'after')]
    expect([page.name, new Set(before).size, new Set(after).size]).toEqual([page.name, before.length, after.length])
    expect([page.name, after.filter((label) => !before.includes(label))]).toEqual([page.name, []])
  }
})
