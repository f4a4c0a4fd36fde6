import { expect, it } from 'vitest'
import { fileHeader, RECORD_COLUMNS, SCREEN_COLUMNS, type ScreenColumn } from './recordColumns'

const asItIs = (words: string): string => words

// @ts-expect-error a column of the screen of which the page does not say how it is shown
export const cells: Record<ScreenColumn['id'], string> = { name: '', state: '', due: '', seen: '', time: '', last: '', finished: '' }

it('each column has a name of its own, in files too, and stands somewhere', () => {
  expect(new Set(RECORD_COLUMNS.map((column) => column.id)).size).toBe(RECORD_COLUMNS.length)
  expect(new Set(fileHeader(asItIs)).size).toBe(fileHeader(asItIs).length)
  expect(RECORD_COLUMNS.filter((column) => !column.screen && column.file === null)).toEqual([])
  expect(SCREEN_COLUMNS.length + fileHeader(asItIs).length).toBeGreaterThan(RECORD_COLUMNS.length)
})
