import { expect, it } from 'vitest'
import { clockTime } from './clockTime'
import { languageName } from './languageName'

it.each([
  [0, '0:00'],
  [7.9, '0:07'],
  [754, '12:34'],
  [3_723, '1:02:03'],
  [-1, '0:00'],
])('%f seconds are told as %s', (seconds, told) => expect(clockTime(seconds)).toBe(told))

it('languages are called in the language of the page', () =>
  expect([languageName('pl', 'en'), languageName('pl', 'de'), languageName('not a code', 'en')]).toEqual([
    'Polish',
    'Polnisch',
    'not a code',
  ]))
