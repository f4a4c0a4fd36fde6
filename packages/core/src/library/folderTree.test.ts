import fc from 'fast-check'
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
it('holds every folder once, and never allows a move that would make a circle', () => {
  const some = fc.array(fc.tuple(fc.nat(15), fc.option(fc.nat(15), { nil: null })), { maxLength: 16 }).map((pairs) => {
    const known = new Map(pairs.map(([id, parent]) => [`f${id}`, parent === null ? null : `f${parent}`]))
    // Folders hang under folders with a smaller number only, so that the rows are a tree to begin with.
    return [...known].map(([id, parent]) => ({
      id,
      name: id,
      parentId: parent !== null && Number(parent.slice(1)) < Number(id.slice(1)) ? parent : null,
    }))
  })
  fc.assert(
    fc.property(some, fc.nat(15), fc.nat(15), (rows, from, to) => {
      const flat = flattened(folderTree(rows, compare))
      expect(flat.map((node) => node.id).sort()).toEqual(rows.map((row) => row.id).sort())
      const [id, parentId] = [`f${from}`, `f${to}`]
      if (!rows.some((row) => row.id === id) || !rows.some((row) => row.id === parentId) || !mayMoveUnder(rows, id, parentId)) return
      const moved = rows.map((row) => (row.id === id ? { ...row, parentId } : row))
      expect(flattened(folderTree(moved, compare))).toHaveLength(rows.length)
    }),
  )
})
