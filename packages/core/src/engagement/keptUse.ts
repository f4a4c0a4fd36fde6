import { addMonths, type LocalDate } from '../shared'

/** The shortest and the longest time, in months, for which a company can keep who used what when. Authors are shown whole years, so that more than one is kept. */
export const KEPT_MONTHS = { least: 13, most: 240 } as const

/** Since when it is kept who used what when: since a first of a month, as many whole months back as the company says. What was put together once cannot
 * be told apart again, so it never becomes earlier.
 * @param months `null`: it is kept for ever
 * @param before since when it is kept so far; `null`: since ever
 * @returns `null` where all of it is kept */
export function keptSince(today: LocalDate, months: number | null, before: LocalDate | null): LocalDate | null {
  if (months === null) return before
  const since = addMonths(`${today.slice(0, 7)}-01` as LocalDate, -months)
  return before !== null && before > since ? before : since
}
