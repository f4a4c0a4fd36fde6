import type * as z from 'zod/mini'

/** A schema as this folder looks into it. */
export type Schema = z.ZodMiniType
type Check = { _zod: { def: Record<string, unknown> & { check: string } } }
/** What a schema of zod 4 says of itself, as far as it is asked here. */
export type Definition = {
  type: string
  checks?: Check[]
  shape?: Record<string, Schema>
  element?: Schema
  innerType?: Schema
  options?: Schema[]
  getter?: () => Schema
  keyType?: Schema
  valueType?: Schema
  values?: unknown[]
  entries?: Record<string, unknown>
  items?: Schema[]
  in?: Schema
  coerce?: boolean
  pattern?: RegExp
  format?: string
}
/** Looks into a schema. */
export const definitionOf = (schema: Schema): Definition => (schema as unknown as { _zod: { def: Definition } })._zod.def

/** The limits that the checks of a schema set. */
export type Limits = {
  minLength: number
  maxLength: number
  least: number
  most: number
  whole: boolean
  patterns: RegExp[]
  trims: boolean
}

/** What a schema of texts, numbers or lists asks of its values. */
export function limitsOf(definition: Definition): Limits {
  const limits: Limits = {
    minLength: 0,
    maxLength: Number.POSITIVE_INFINITY,
    least: Number.NEGATIVE_INFINITY,
    most: Number.POSITIVE_INFINITY,
    whole: definition.format === 'safeint',
    patterns: definition.pattern ? [definition.pattern] : [],
    trims: false,
  }
  for (const { _zod } of definition.checks ?? []) {
    const def = _zod.def
    if (def.check === 'min_length') limits.minLength = Math.max(limits.minLength, def['minimum'] as number)
    else if (def.check === 'max_length') limits.maxLength = Math.min(limits.maxLength, def['maximum'] as number)
    else if (def.check === 'greater_than')
      limits.least = Math.max(limits.least, (def['value'] as number) + (def['inclusive'] ? 0 : limits.whole ? 1 : Number.EPSILON))
    else if (def.check === 'less_than')
      limits.most = Math.min(limits.most, (def['value'] as number) - (def['inclusive'] ? 0 : limits.whole ? 1 : Number.EPSILON))
    else if (def.check === 'number_format') limits.whole = true
    else if (def.check === 'string_format' && def['pattern']) limits.patterns.push(def['pattern'] as RegExp)
    else if (def.check === 'overwrite') limits.trims = true
  }
  return limits
}
