import * as z from 'zod/mini'
import { expect, it } from 'vitest'
import { Flag, Words } from './searchParts'
import { searchIn } from './useSearch'

const shape = { find: Words, state: z.enum(['late', 'done']), archived: Flag }
const read = (text: string) => searchIn(shape, new URLSearchParams(text))

it('reads what an address says, and leaves out what nobody could have meant', () => {
  expect(read('find=a%26b&state=late&archived=yes&other=1')).toEqual({ find: 'a&b', state: 'late', archived: 'yes' })
  expect(read('state=__proto__&archived=no')).toEqual({ find: undefined, state: undefined, archived: undefined })
  expect(read(`find=${'x'.repeat(201)}`).find).toBeUndefined()
})
