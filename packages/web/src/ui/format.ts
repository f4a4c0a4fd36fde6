const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' })
const DAY_HERE = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })
const DAY_YEAR = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const TIME = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** A calendar day as "Tue 3 Nov". */
export const dayOf = (date: string): string => DAY.format(new Date(`${date}T00:00:00Z`)).replace(',', '')

/** An instant as "Tue 3 Nov", with the time when it is today, with the year when it is another.
 * @param at epoch milliseconds */
export function whenOf(at: number, now = Date.now()): string {
  const [then, today] = [new Date(at), new Date(now)]
  if (then.toDateString() === today.toDateString()) return TIME.format(then)
  return then.getFullYear() === today.getFullYear() ? DAY_HERE.format(then).replace(',', '') : DAY_YEAR.format(then)
}
export const timeOf = (at: number): string => TIME.format(at)
/** The exact moment, for a title. */
export const momentOf = (at: number): string => `${DAY_YEAR.format(at)}, ${TIME.format(at)}`

/** A length of time as "4 min", "1 h 5 min" or "40 s". */
export function lengthOf(ms: number): string {
  if (ms <= 0) return '–'
  if (ms < 60_000) return `${Math.max(1, Math.round(ms / 1000))} s`
  const minutes = Math.round(ms / 60_000)
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`
}
export const percentOf = (share: number): string => `${Math.round(share * 100)} %`
