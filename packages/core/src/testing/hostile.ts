import { definitionOf, limitsOf, type Definition } from './definition'
import { sitesOf, withAt, type Site } from './sitesOf'
import type { Schema } from './definition'
import { oneOf, valueOf } from './valueOf'

/** Something that no caller should send, and in words what it is. */
export type Hostile = { what: string; value: unknown }

const wrapped = (levels: number, wrap: (inner: unknown) => unknown): unknown => {
  let value: unknown = 1
  for (let i = 0; i < levels; i++) value = wrap(value)
  return value
}
const withKey = (value: unknown, key: string, inside: unknown): unknown =>
  Object.defineProperty({ ...(value as object) }, key, { value: inside, enumerable: true, configurable: true, writable: true })

const WRONG_TYPES: readonly unknown[] = [null, [], {}, '', 'x', 7, -1, true, 0.5, [[]], { toString: 1 }]
/** Whole numbers that no column of four bytes holds, or no calendar. */
const LARGE = [2 ** 31, 8e13, 8_640_000_000_000_001, -(2 ** 31) - 1]
const NUMBERS = [2 ** 31 - 1, 2 ** 53, -(2 ** 53), 1e308, -1, 0, 0.5, 1e-320]
/** No text can hold these. */
const WITH_NUL = ['\0', 'a\0b']
const HALVED = ['\ud800', 'x\udc00']
/** A tag of a language that never ends. */
const LONG_TAG = `en${'-abcdefgh'.repeat(20_000)}`
const LONG = ['x'.repeat(100_000)]
const ODD = ['\u202e', '＝1+1', '../../etc/passwd', '%00', '${7*7}', '\r\nX: y']
const DAYS = ['0000-01-01', '9999-12-31']
const KEYS = ['__proto__', 'constructor', 'toString', 'x'.repeat(5_000)]
const BROKEN_KEYS = ['a\0b', '\ud800']

const texts = (list: readonly string[]): Hostile[] =>
  list.map((text) => ({ what: `text ${JSON.stringify(text.slice(0, 12))}`, value: text }))
const keyed = (key: string, value: unknown): Hostile => ({ what: `key ${JSON.stringify(key.slice(0, 12))}`, value })

function ofNumber(definition: Definition): Hostile[][] {
  const limits = limitsOf(definition)
  const as = (number: number) => (definition.coerce ? String(number) : number)
  return [
    ...[LARGE, NUMBERS].map((numbers) => numbers.map((number) => ({ what: `number ${number}`, value: as(number) }))),
    [
      ...(Number.isFinite(limits.most) ? [{ what: 'one above the most', value: as(limits.most + 1) }] : []),
      ...(Number.isFinite(limits.least) ? [{ what: 'one below the least', value: as(limits.least - 1) }] : []),
    ],
  ]
}
function ofText(definition: Definition, value: unknown): Hostile[][] {
  const { maxLength } = limitsOf(definition)
  const text = typeof value === 'string' ? value : ''
  return [
    texts(WITH_NUL),
    texts(HALVED),
    texts(LONG),
    texts([LONG_TAG]),
    texts(ODD),
    texts(DAYS),
    [
      ...(maxLength < 200_000 ? [{ what: 'one letter too many', value: 'x'.repeat(maxLength + 1) }] : []),
      { what: 'NUL at the end', value: `${text}\0` },
      { what: 'other case', value: text.toUpperCase() },
    ],
  ]
}
function ofList(definition: Definition, list: readonly unknown[]): Hostile[][] {
  const { maxLength } = limitsOf(definition)
  const times = (length: number) => Array.from({ length }, () => list[0] ?? null)
  const few = maxLength < 6_000
  return [
    [{ what: 'none', value: [] }],
    [{ what: 'twice the same', value: [...list, ...list] }],
    few
      ? [
          { what: 'as many as are taken', value: times(maxLength) },
          { what: 'one too many', value: times(maxLength + 1) },
        ]
      : [],
  ]
}
function ofObject(definition: Definition, value: object, random: () => number): Hostile[][] {
  const { valueType } = definition
  return [
    [...KEYS, ...BROKEN_KEYS].map((key) => keyed(key, withKey(value, key, { admin: true }))),
    // An entry that is right but for its name.
    ...[BROKEN_KEYS, KEYS].map((keys) =>
      valueType ? keys.map((key) => keyed(key, withKey(value, key, valueOf(valueType, { random })))) : [],
    ),
    Object.keys(value).map((key) => {
      const { [key]: _, ...rest } = value as Record<string, unknown>
      return { what: `without ${key}`, value: rest }
    }),
  ]
}

/** What can be done to one place to make it wrong, or odd, by its kind. */
function at({ schema, value }: Site, random: () => number): Hostile[][] {
  const definition = definitionOf(schema)
  const isObject = typeof value === 'object' && value !== null && !Array.isArray(value)
  return [
    WRONG_TYPES.map((wrong) => ({ what: `wrong type ${JSON.stringify(wrong)}`, value: wrong })),
    [
      { what: 'lists 1,500 deep', value: wrapped(1_500, (inner) => [inner]) },
      { what: 'objects 700 deep', value: wrapped(700, (inner) => ({ content: [inner], type: 'bulletList' })) },
    ],
    ...(definition.type === 'number' || definition.type === 'int' ? ofNumber(definition) : []),
    ...(definition.type === 'string' ? ofText(definition, value) : []),
    ...(definition.type === 'array' && Array.isArray(value) ? ofList(definition, value) : []),
    ...(isObject ? ofObject(definition, value, random) : []),
  ].filter((kind) => kind.length > 0)
}

/** A valid value with one place made wrong or odd.
 * @param ids   ids of things of every kind that exist but belong to others, put in the place of texts
 * @param tried what has been tried before: each kind of wrong at each place comes once before any comes again */
export function hostileOf(
  schema: Schema,
  value: unknown,
  random: () => number,
  ids: readonly string[],
  tried = new Set<string>(),
): Hostile & { path: string } {
  const choices = sitesOf(schema, value).flatMap((site) => {
    const isId = typeof site.value === 'string' && /^[A-Za-z0-9_-]{21}$/.test(site.value)
    const foreign = isId && ids.length > 0 ? [ids.map((id) => ({ what: 'a foreign id', value: id }))] : []
    const place = site.path.map((step) => (typeof step === 'number' ? '*' : String(step))).join('/')
    return [...at(site, random), ...foreign].map((kind, n) => ({ site, kind, key: `${place} ${n}` }))
  })
  const fresh = choices.filter(({ key }) => !tried.has(key))
  const { site, kind, key } = oneOf(random, fresh.length > 0 ? fresh : choices)
  tried.add(key)
  const chosen = oneOf(random, kind)
  return { what: chosen.what, path: site.path.map(String).join('/'), value: withAt(value, site.path, chosen.value) }
}
