import { describe, expect, it } from 'vitest'
import { unusedValues } from './unusedValues.mjs'

const { transform } = unusedValues()
const inCore = (code) => transform(code, '/app/packages/core/src/guides/thing.ts')?.code
const flat = (code) => code.replaceAll(/\s+/g, ' ')

describe('values that nobody uses', () => {
  it('are marked where they are computed when a module is loaded, and nowhere else', () => {
    const code = inCore(`const plain = 3
const list = [1, 2]
export const Id = z.string().check(z.maxLength(3))
export const pair: Pair = { one: z.int(), two: new Set([1]) }
const inside = (n: number) => make(n)
function named() { const own = make(1); return own }`)
    expect(flat(code)).toBe(
      flat(`const plain = 3
const list = [1, 2]
export const Id = /* @__PURE__ */ (() => (z.string().check(z.maxLength(3))))()
export const pair: Pair = /* @__PURE__ */ (() => ({ one: z.int(), two: new Set([1]) }))()
const inside = (n: number) => make(n)
function named() { const own = make(1); return own }`),
    )
  })

  it('are those of our own core and contracts only, not of tests', () => {
    const code = 'export const x = make()'
    expect(transform(code, '/app/packages/web/src/app/x.ts')).toBeNull()
    expect(transform(code, '/app/node_modules/core/src/x.ts')).toBeNull()
    expect(transform(code, '/app/packages/core/src/guides/x.test.ts')).toBeNull()
    expect(transform(code, '/app/packages/contracts/src/x.ts')?.code).toContain('@__PURE__')
  })
})

describe('an endpoint in the pages', () => {
  it('keeps what is called by, and loses what the server checks by', () => {
    const code = transform(
      `export const save = endpoint({
  method: 'put',
  path: '/api/things/:id',
  access: { may: 'thing.change', over: 'thing' },
  params: z.object({ id: ThingId }),
  body: Thing,
  bytes: { types: ['image/*'], maxBytes: 5 },
  response: z.object({ n: z.int() }),
  problems: ['invalid'],
})
export const other = describe({ response: 1 })`,
      '/app/packages/contracts/src/things.ts',
    ).code
    expect(flat(code)).toBe(
      flat(`export const save = /* @__PURE__ */ (() => (endpoint({
  method: 'put',
  path: '/api/things/:id',
  bytes: { types: ['image/*'], maxBytes: 5 },
})))()
export const other = /* @__PURE__ */ (() => (describe({ response: 1 })))()`),
    )
  })
})
