import fc from 'fast-check'
import { definitionOf, limitsOf, type Definition, type Schema } from './definition'

/** How values are made. */
export type Making = {
  /** Numbers in [0, 1), seeded. */
  random: () => number
  /** A value for a place that the schema alone cannot know, such as the id of something that is there. `undefined`: as the schema says. */
  hint?: (schema: Schema, path: readonly PropertyKey[]) => { value: unknown } | undefined
  /** Leave nothing out that may be left out, and have something in every list. */
  full?: boolean
}

/** One of a list. */
export const oneOf = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)]!

/** Values that refinements ask for: links and days. */
const SAMPLES = ['https://larkmoor.example/a?b=c', 'mailto:someone@larkmoor.example', '2026-04-01', '2027-12-31', 'basil']
const WORDS = ['', 'Rinse the tray', 'Łódź, 20 °C', '=1+1', '{"a":1}', "'; --", 'a b', '𝒜 pair', '%_\\', '5', '2026-03-09', 'Ctrl+S']
const DEEPEST = 7

const matching = new Map<string, string[]>()
function matchesOf(pattern: RegExp): string[] {
  const known = matching.get(pattern.source)
  if (known) return known
  const plain = new RegExp(pattern.source, pattern.flags.replace(/[^u]/g, ''))
  const made = fc.sample(fc.stringMatching(plain), { numRuns: 40, seed: 7 })
  matching.set(pattern.source, made)
  return made
}

function textOf(schema: Schema, definition: Definition, { random }: Making): string {
  const limits = limitsOf(definition)
  const candidates = limits.patterns.length > 0 ? matchesOf(limits.patterns[0]!) : [...WORDS, ...SAMPLES]
  for (let i = 0; i < 12; i++) {
    const text = oneOf(random, candidates)
    if (schema.safeParse(text).success) return text
  }
  return candidates.find((text) => schema.safeParse(text).success) ?? 'x'.repeat(Math.max(1, limits.minLength))
}

function numberOf(definition: Definition, { random }: Making): number | string {
  const { least, most, whole } = limitsOf(definition)
  const from = Math.max(least, Math.min(most, 0) - (least === Number.NEGATIVE_INFINITY ? 3 : 0))
  const to = Math.min(most, Math.max(least, 0) + (most === Number.POSITIVE_INFINITY ? 100 : 0))
  const end = random()
  const value =
    end < 0.15 && Number.isFinite(least)
      ? least
      : end > 0.85 && Number.isFinite(most) && Math.abs(most) < 1e15
        ? most
        : from + random() * (Math.max(from, Number.isFinite(most) ? most : to) - from)
  const number = whole ? Math.round(value) : value
  return definition.coerce ? String(number) : number
}

/** Makes a value that a schema accepts.
 * @throws Error when none was found: the walker has to learn what this schema asks for */
export function valueOf(schema: Schema, making: Making): unknown {
  for (let i = 0; i < 30; i++) {
    const value = make(schema, making, [], 0)
    if (schema.safeParse(value).success) return value
  }
  const { error } = schema.safeParse(make(schema, making, [], 0))
  throw new Error(`no value found that the schema accepts: ${JSON.stringify(error?.issues.slice(0, 2))}`)
}

function make(schema: Schema, making: Making, path: readonly PropertyKey[], depth: number): unknown {
  const hinted = making.hint?.(schema, path)
  if (hinted) return hinted.value
  const { random } = making
  const definition = definitionOf(schema)
  const inner = (each: Schema, ...step: PropertyKey[]) => make(each, making, [...path, ...step], depth + 1)
  switch (definition.type) {
    case 'string':
      return textOf(schema, definition, making)
    case 'number':
    case 'int':
      return numberOf(definition, making)
    case 'boolean':
      return random() < 0.5
    case 'unknown':
    case 'any':
      return oneOf(random, [null, {}, 'x', 7])
    case 'null':
      return null
    case 'literal':
      return oneOf(random, definition.values!)
    case 'enum':
      return oneOf(random, Object.values(definition.entries!))
    case 'nullable':
      return !making.full && random() < 0.3 ? null : inner(definition.innerType!)
    case 'optional':
      return (!making.full && random() < 0.5) || depth > DEEPEST * 2 ? undefined : inner(definition.innerType!)
    case 'default':
    case 'prefault':
    case 'readonly':
      return inner(definition.innerType!)
    case 'pipe':
      return inner(definition.in!)
    case 'lazy':
      return make(definition.getter!(), making, path, depth + 1)
    case 'union': {
      const options = depth > DEEPEST ? definition.options!.slice(0, 2) : definition.options!
      return inner(oneOf(random, options))
    }
    case 'array': {
      const { minLength, maxLength } = limitsOf(definition)
      const length = Math.min(maxLength, minLength + (depth > DEEPEST ? 0 : making.full ? 1 : Math.floor(random() * 3)))
      return Array.from({ length }, (_, index) => inner(definition.element!, index))
    }
    case 'tuple':
      return definition.items!.map((each, index) => inner(each, index))
    case 'record':
      return Object.fromEntries(
        Array.from({ length: Math.floor(random() * 3) }, (_, index) => [
          make(definition.keyType!, making, [...path, `key ${index}`], depth + 1) as string,
          inner(definition.valueType!, `value ${index}`),
        ]),
      )
    case 'object':
      return Object.fromEntries(
        Object.entries(definition.shape!).flatMap(([key, each]) => {
          const value = inner(each, key)
          return value === undefined ? [] : [[key, value]]
        }),
      )
    default:
      throw new Error(`the walker does not know ${definition.type} at ${path.map(String).join('/')}`)
  }
}
