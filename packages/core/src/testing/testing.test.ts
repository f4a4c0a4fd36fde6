import { describe, expect, it } from 'vitest'
import * as z from 'zod/mini'
import { Change, GuideDocument } from '../guides'
import { seededRandom } from '../shared'
import { hostileOf, sitesOf, valueOf, withAt, type Schema } from '.'

const Sample = z.object({
  name: z.string().check(z.trim(), z.minLength(2), z.maxLength(8)),
  code: z.string().check(z.regex(/^[A-Z]{3}-\d{2}$/)),
  count: z.coerce.number().check(z.int(), z.minimum(1), z.maximum(9)),
  kind: z.discriminatedUnion('of', [z.object({ of: z.literal('a'), x: z.number() }), z.object({ of: z.literal('b'), y: z.boolean() })]),
  tags: z.optional(z.array(z.enum(['red', 'green'])).check(z.minLength(1), z.maxLength(3))),
  more: z.record(z.string(), z.nullable(z.int())),
})

describe('the walker over schemas', () => {
  it('makes values that are accepted, of every kind that is in use', () => {
    const random = seededRandom(3)
    for (const schema of [Sample, Change, GuideDocument] as Schema[])
      for (let i = 0; i < 60; i++) expect(schema.safeParse(valueOf(schema, { random })).success).toBe(true)
  })
  it('makes every option of a union, so that none is left untried', () => {
    const random = seededRandom(4)
    const types = new Set(Array.from({ length: 600 }, () => (valueOf(Change, { random }) as Change).type))
    expect(types.size).toBe((Change._zod.def as unknown as { options: unknown[] }).options.length)
  })
  it('finds every place of a value, and changes one of them only', () => {
    const value = { name: 'abc', code: 'ABC-12', count: '3', kind: { of: 'b', y: true }, tags: ['red'], more: { n: 1 } }
    const paths = sitesOf(Sample, value).map((site) => site.path.join('/'))
    expect(paths).toEqual(['', 'name', 'code', 'count', 'kind', 'kind/of', 'kind/y', 'tags', 'tags/0', 'more', 'more/n'])
    expect(withAt(value, ['tags', 0], 'green')).toEqual({ ...value, tags: ['green'] })
    expect(value.tags).toEqual(['red'])
  })
  it('makes what is wrong: most of it is refused', () => {
    const random = seededRandom(5)
    const taken = Array.from({ length: 400 }, () => {
      const hostile = hostileOf(Sample, valueOf(Sample, { random }), random, ['x'.repeat(21)])
      return Sample.safeParse(hostile.value).success
    }).filter(Boolean).length
    expect(taken).toBeLessThan(140)
  })
})
