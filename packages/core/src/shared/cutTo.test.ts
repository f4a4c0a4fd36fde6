import { expect, it } from 'vitest'
import { cutTo } from './cutTo'

it.each([
  ['latch', 3, 'lat'],
  ['latch', 9, 'latch'],
  ['a🌱', 2, 'a'],
  ['a🌱', 3, 'a🌱'],
  ['🌱', 1, ''],
])('“%s” cut to %i', (text, most, cut) => expect(cutTo(text, most)).toBe(cut))
