import { LocalDate } from '@jackdaw/core/shared'

/** The day by the clock of whoever looks. */
export function todayHere(): LocalDate {
  const now = new Date()
  const two = (n: number) => String(n).padStart(2, '0')
  return LocalDate.parse(`${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`)
}
