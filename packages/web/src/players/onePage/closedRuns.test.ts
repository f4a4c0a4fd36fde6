import type { GuideItem } from '@jackdaw/core/guides'
import { expect, it } from 'vitest'
import { closedRuns } from './closedRuns'

const step = (id: string) => ({ kind: 'step', id }) as GuideItem
const section = (id: string) => ({ kind: 'section', id, title: id }) as GuideItem
const quiz = (id: string) => ({ kind: 'quiz', id }) as GuideItem
const shown = (items: GuideItem[], ...open: string[]) =>
  closedRuns(items, new Set(open)).map((each) =>
    each.is === 'heading'
      ? each.section.id
      : each.is === 'open'
        ? `${each.item.id} ${each.n}`
        : `closed ${each.from}-${each.to}, ${each.steps}`,
  )

it('shows what is open under its headings, and what is closed in runs without theirs', () => {
  const items = [section('A'), step('one'), quiz('q'), section('B'), step('two'), step('three'), section('C'), step('four')]
  expect(shown(items, 'one', 'q', 'two', 'three', 'four')).toEqual(['A', 'one 1', 'q 1', 'B', 'two 2', 'three 3', 'C', 'four 4'])
  expect(shown(items, 'one', 'q')).toEqual(['A', 'one 1', 'q 1', 'closed 2-4, 3'])
  expect(shown(items, 'one', 'q', 'four')).toEqual(['A', 'one 1', 'q 1', 'closed 2-3, 2', 'C', 'four 4'])
  expect(shown([quiz('q'), step('one')], 'q')).toEqual(['q 0', 'closed 1-1, 1'])
})
