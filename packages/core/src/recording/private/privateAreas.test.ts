import { describe, expect, it } from 'vitest'
import { privateAreas, textInPicture } from './privateAreas'
import type { PrivateKind, RawAction } from '../rawAction'

const kinds = new Set<PrivateKind>(['mail', 'phone', 'account', 'person'])
const nobody = () => false

describe('private areas in a picture', () => {
  it('hold the passage with room on both sides, and all of a line that is mostly private', () => {
    const rect = { x: 100, y: 10, width: 400, height: 20 }
    const [part] = privateAreas([{ rect, text: `Mail: ab@c.example ${'x'.repeat(21)}` }], kinds, nobody)
    expect(part!.words).toBe('ab@c.example')
    expect(part!.rect.x).toBeLessThanOrEqual(100 + 6 * 10)
    expect(part!.rect.x + part!.rect.width).toBeGreaterThanOrEqual(100 + 18 * 10)
    expect(part!.rect.width).toBeLessThan(200)
    expect(privateAreas([{ rect, text: 'Mail ab@c.example' }], kinds, nobody)[0]!.rect).toEqual(rect)
  })
  it('are the whole box where the words run over several lines', () => {
    const rect = { x: 0, y: 0, width: 100, height: 90 }
    expect(privateAreas([{ rect, text: 'Call the packhouse at +44 1632 960127 in the morning' }], kinds, nobody)[0]!.rect).toEqual(rect)
  })
  it('hold names that the directory knows', () => {
    const box = { rect: { x: 0, y: 0, width: 300, height: 16 }, text: 'Taken by Inés Robledo on Tuesday afternoon' }
    expect(privateAreas([box], kinds, (words) => words === 'Inés Robledo').map((each) => each.kind)).toEqual(['person'])
    expect(privateAreas([box], kinds, nobody)).toEqual([])
  })
})

describe('the words in a picture', () => {
  const action = (width: number, boxes: object[]) => ({ window: { width, height: 400 }, textBoxes: boxes }) as unknown as RawAction
  it('stand where they stood on the page, in pixels of the picture, cut to it', () => {
    const boxes = [
      { rect: { x: 10, y: 20, width: 30, height: 8 }, text: 'in' },
      { rect: { x: 600, y: 20, width: 100, height: 8 }, text: 'half' },
      { rect: { x: 0, y: 900, width: 100, height: 8 }, text: 'below' },
    ]
    expect(textInPicture(action(640, boxes), { widthPx: 1280, heightPx: 800 })).toEqual([
      { rect: { x: 20, y: 40, width: 60, height: 16 }, text: 'in' },
      { rect: { x: 1200, y: 40, width: 80, height: 16 }, text: 'half' },
    ])
    expect(textInPicture(action(0, boxes), { widthPx: 1280, heightPx: 800 })).toEqual([])
  })
})
