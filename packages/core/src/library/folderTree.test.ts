import { expect, it } from 'vitest'
import { flattened, folderTree, mayMoveUnder } from './folderTree'

const rows = [
  { id: 'p', parentId: null, name: 'Packhouse' },
  { id: 'c', parentId: 'p', name: 'Crates' },
  { id: 'l', parentId: 'c', name: 'Labels' },
  { id: 'a', parentId: null, name: 'Arrivals' },
  { id: 'x', parentId: 'hidden', name: 'Seen without its parent' },
]
const compare = (a: string, b: string) => a.localeCompare(b)

it('shows folders by name, each before what it holds', () => {
  expect(flattened(folderTree(rows, compare)).map((node) => [node.id, node.depth])).toEqual([
    ['a', 0],
    ['p', 0],
    ['c', 1],
    ['l', 2],
    ['x', 0],
  ])
})
it('never lets a folder be put into itself', () => {
  expect(mayMoveUnder(rows, 'p', 'l')).toBe(false)
  expect(mayMoveUnder(rows, 'p', 'p')).toBe(false)
  expect(mayMoveUnder(rows, 'l', 'a')).toBe(true)
  expect(mayMoveUnder(rows, 'l', null)).toBe(true)
})
