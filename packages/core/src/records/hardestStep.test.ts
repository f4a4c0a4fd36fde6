import { expect, it } from 'vitest'
import { hardestStep } from './hardestStep'

it('finds the step that is most often not right at once, and none where all go well or too few have tried', () => {
  const step = (name: string, times: number, rightFirst: number) => ({ name, times, rightFirst })
  expect(hardestStep([step('a', 10, 9), step('b', 10, 3), step('c', 10, 4)])?.name).toBe('b')
  expect(hardestStep([step('a', 10, 9), step('b', 10, 8)])).toBeNull()
  expect(hardestStep([step('a', 2, 0), step('b', 0, 0)])).toBeNull()
  expect(hardestStep([step('a', 2, 0), step('b', 4, 3)])?.name).toBe('b')
})
