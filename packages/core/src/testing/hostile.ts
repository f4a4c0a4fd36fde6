import { definitionOf, limitsOf } from './definition'
import { sitesOf, withAt, type Site } from './sitesOf'
import type { Schema } from './definition'
import { oneOf } from './valueOf'

/** Something that no caller should send, and in words what it is. */
export type Hostile = { what: string; value: unknown }

const nested = (levels: number, wrap: (inner: unknown) => unknown): unknown => {
  let value: unknown = 1
  for (let i = 0; i < levels; i++) value = wrap(value)
  return value
}
const withKey = (value: unknown, key: string, inside: unknown): unknown =>
  Object.defineProperty({ ...(value as object) }, key, { value: inside, enumerable: true, configurable: true, writable: true })

const WRONG_TYPES: readonly unknown[] = [null, [], {}, '', 'x', 7, -1, true, 0.5, [[]], { toString: 1 }]
const NUMBERS = [2 ** 31, 2 ** 31 - 1, -(2 ** 31) - 1, 2 ** 53, -(2 ** 53), 8e13, 8.64e15 + 1, 1e308, -1, 0, 0.5, 1e-320]
/** A tag of a language that never ends. */
const LONG_TAG = `en${'-abcdefgh'.repeat(20_000)}`
const TEXTS = [
  '\0',
  'a\0b',
  '\ud800',
  'x\udc00',
  'x'.repeat(100_000),
  '\u202e',
  '＝1+1',
  '../../etc/passwd',
  '%00',
  '${7*7}',
  '\r\nX: y',
  '0000-01-01',
  '9999-12-31',
  LONG_TAG,
]

/** What can be done to one place to make it wrong, or odd. */
function at({ schema, value }: Site): Hostile[] {
  const definition = definitionOf(schema)
  const limits = limitsOf(definition)
  const found: Hostile[] = WRONG_TYPES.map((wrong) => ({ what: `wrong type ${JSON.stringify(wrong)}`, value: wrong }))
  if (definition.type === 'number' || definition.type === 'int') {
    const as = (number: number) => (definition.coerce ? String(number) : number)
    found.push(...NUMBERS.map((number) => ({ what: `number ${number}`, value: as(number) })))
    if (Number.isFinite(limits.most)) found.push({ what: 'one above the most', value: as(limits.most + 1) })
    if (Number.isFinite(limits.least)) found.push({ what: 'one below the least', value: as(limits.least - 1) })
  }
  if (definition.type === 'string') {
    found.push(...TEXTS.map((text) => ({ what: `text ${JSON.stringify(text.slice(0, 12))}`, value: text })))
    if (limits.maxLength < 200_000) found.push({ what: 'one letter too many', value: 'x'.repeat(limits.maxLength + 1) })
    if (typeof value === 'string')
      found.push({ what: 'NUL at the end', value: `${value}\0` }, { what: 'other case', value: value.toUpperCase() })
  }
  if (definition.type === 'array' && Array.isArray(value)) {
    const one: unknown = value[0] ?? null
    if (limits.maxLength < 6_000) {
      found.push({ what: 'as many as are taken', value: Array.from({ length: limits.maxLength }, () => one) })
      found.push({ what: 'one too many', value: Array.from({ length: limits.maxLength + 1 }, () => one) })
    }
    found.push({ what: 'none', value: [] }, { what: 'twice the same', value: [...(value as unknown[]), ...(value as unknown[])] })
  }
  if (typeof value === 'object' && value !== null && !Array.isArray(value)) {
    for (const key of ['__proto__', 'constructor', 'toString', 'a\0b', '\ud800', 'x'.repeat(5_000)])
      found.push({ what: `key ${JSON.stringify(key.slice(0, 12))}`, value: withKey(value, key, { admin: true }) })
    for (const key of Object.keys(value)) {
      const { [key]: _, ...rest } = value as Record<string, unknown>
      found.push({ what: `without ${key}`, value: rest })
    }
  }
  found.push({ what: 'lists 1,500 deep', value: nested(1_500, (inner) => [inner]) })
  found.push({ what: 'objects 700 deep', value: nested(700, (inner) => ({ content: [inner], type: 'bulletList' })) })
  return found
}

/** A valid value with one place made wrong or odd.
 * @param ids ids of things of every kind that exist but belong to others, put in the place of texts */
export function hostileOf(schema: Schema, value: unknown, random: () => number, ids: readonly string[]): Hostile & { path: string } {
  const site = oneOf(random, sitesOf(schema, value))
  const isId = typeof site.value === 'string' && /^[A-Za-z0-9_-]{21}$/.test(site.value)
  const choices = [...at(site), ...(isId ? ids.map((id) => ({ what: 'a foreign id', value: id })) : [])]
  const chosen = oneOf(random, choices)
  return { what: chosen.what, path: site.path.map(String).join('/'), value: withAt(value, site.path, chosen.value) }
}
