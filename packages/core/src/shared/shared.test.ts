import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { canonicalJson, canonicalJsonInTurns } from './canonicalJson'
import { idOf } from './ids'
import { seededIds, seededRandom } from './random'

describe('canonical JSON', () => {
  it('is the same when it is written in turns, and others have theirs in between', async () => {
    await fc.assert(
      fc.asyncProperty(fc.jsonValue(), fc.integer({ min: 0, max: 5 }), async (value, levels) => {
        expect(await canonicalJsonInTurns(value, levels, async () => undefined)).toBe(canonicalJson(value))
      }),
    )
    let pauses = 0
    const many = { parts: Array.from({ length: 100 }, (_, n) => ({ n, gone: undefined })) }
    expect(await canonicalJsonInTurns(many, 2, async () => void pauses++)).toBe(canonicalJson(many))
    expect(pauses).toBe(4)
  })
  it('is the same for equal values, in whatever order their keys were set', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (value) => {
        const turned = Object.fromEntries(Object.entries(value).reverse())
        expect(canonicalJson(turned)).toBe(canonicalJson(value))
      }),
    )
  })
  it('can be read back', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(JSON.parse(canonicalJson(value))).toEqual(JSON.parse(JSON.stringify(value)))
      }),
    )
  })
  it('leaves out what is not there, and keeps what is null', () => {
    expect(canonicalJson({ b: undefined, a: null, c: [undefined, 1] })).toBe('{"a":null,"c":[null,1]}')
  })
})

describe('ids', () => {
  it('have 21 characters of the address alphabet and are made of nothing else', () => {
    const schema = idOf('tray')
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        expect(schema.safeParse(seededIds(seed)()).success).toBe(true)
      }),
    )
    for (const wrong of ['', 'x'.repeat(20), 'x'.repeat(22), '../'.repeat(7), `${'x'.repeat(20)} `, 21])
      expect(schema.safeParse(wrong).success).toBe(false)
  })
  it('come in the same row from the same seed, and in another from another', () => {
    const row = (seed: number) => Array.from({ length: 50 }, seededIds(seed))
    expect(row(7)).toEqual(row(7))
    expect(new Set([...row(7), ...row(8)]).size).toBe(100)
  })
  it('are drawn evenly', () => {
    const random = seededRandom(5)
    const counts = Array.from({ length: 10 }, () => 0)
    for (let i = 0; i < 20_000; i++) counts[Math.floor(random() * 10)]!++
    for (const count of counts) expect(Math.abs(count - 2_000)).toBeLessThan(250)
  })
})
