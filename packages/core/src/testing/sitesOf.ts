import { definitionOf, type Schema } from './definition'

/** A place in a value: where it is, the schema that holds there, and what stands there. */
export type Site = { path: readonly PropertyKey[]; schema: Schema; value: unknown }

/** All places of a value that its schema knows, the value itself first. Of a union, the first option that accepts the value counts. */
export function sitesOf(schema: Schema, value: unknown, path: readonly PropertyKey[] = []): Site[] {
  const definition = definitionOf(schema)
  const here: Site = { path, schema, value }
  switch (definition.type) {
    case 'optional':
    case 'nullable':
    case 'default':
    case 'readonly':
      return value === undefined || value === null ? [here] : sitesOf(definition.innerType!, value, path)
    case 'lazy':
      return sitesOf(definition.getter!(), value, path)
    case 'pipe':
      return sitesOf(definition.in!, value, path)
    case 'union': {
      const option = definition.options!.find((each) => each.safeParse(value).success)
      return option ? sitesOf(option, value, path) : [here]
    }
    case 'array':
      return [here, ...(value as unknown[]).flatMap((each, index) => sitesOf(definition.element!, each, [...path, index]))]
    case 'tuple':
      return [here, ...definition.items!.flatMap((each, index) => sitesOf(each, (value as unknown[])[index], [...path, index]))]
    case 'record':
      return [here, ...Object.entries(value as object).flatMap(([key, each]) => sitesOf(definition.valueType!, each, [...path, key]))]
    case 'object':
      return [
        here,
        ...Object.entries(definition.shape!).flatMap(([key, each]) => {
          const inside = (value as Record<string, unknown>)[key]
          return inside === undefined ? [] : sitesOf(each, inside, [...path, key])
        }),
      ]
    default:
      return [here]
  }
}

/** The value with another one at a place; the value itself stays as it is. */
export function withAt(value: unknown, path: readonly PropertyKey[], next: unknown): unknown {
  const [first, ...rest] = path
  if (first === undefined) return next
  if (Array.isArray(value)) return value.map((each, index) => (index === first ? withAt(each, rest, next) : (each as unknown)))
  const object = value as Record<PropertyKey, unknown>
  return { ...object, [first]: withAt(object[first], rest, next) }
}
