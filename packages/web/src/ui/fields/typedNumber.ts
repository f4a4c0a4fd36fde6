/** What a number may be. `whole`: without a fraction; `empty`: none at all. */
export type NumberRule = { min?: number | undefined; max?: number | undefined; whole?: boolean; empty?: boolean }

/** A number as it is typed, with a decimal point or comma. @returns `undefined` for what is none, or not one that the rule allows */
export function typedNumber(text: string, { min, max, whole = false, empty = false }: NumberRule): number | null | undefined {
  const typed = text.trim()
  if (typed === '') return empty ? null : undefined
  const number = /^[-+]?(\d+([.,]\d*)?|[.,]\d+)$/.test(typed) ? Number(typed.replace(',', '.')) : NaN
  if (!Number.isFinite(number) || (whole && !Number.isInteger(number))) return undefined
  return number < (min ?? -Infinity) || number > (max ?? Infinity) ? undefined : number
}

/** A number moved by steps of a size, within what the rule allows. */
export function stepped(from: number, by: number, { min, max }: NumberRule): number {
  const next = Math.round((from + by) * 1e6) / 1e6
  return Math.min(max ?? Infinity, Math.max(min ?? -Infinity, next))
}
