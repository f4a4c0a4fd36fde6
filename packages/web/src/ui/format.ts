/** How days, times and numbers are written in a language. */
const formatsOf = (locale: string) => ({
  day: new Intl.DateTimeFormat(locale, { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' }),
  dayHere: new Intl.DateTimeFormat(locale, { weekday: 'short', day: 'numeric', month: 'short' }),
  dayYear: new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', year: 'numeric' }),
  time: new Intl.DateTimeFormat(locale, { hour: '2-digit', minute: '2-digit' }),
})
let formats = formatsOf('en-GB')
/** Writes days, times and numbers as a language does from now on. @param locale BCP 47 */
export const writeIn = (locale: string): void => void (formats = formatsOf(locale))

/** A calendar day as "Tue 3 Nov". */
export const dayOf = (date: string): string => formats.day.format(new Date(`${date}T00:00:00Z`)).replace(',', '')

/** An instant as "Tue 3 Nov", with the time when it is today, with the year when it is another.
 * @param at epoch milliseconds */
export function whenOf(at: number, now = Date.now()): string {
  const [then, today] = [new Date(at), new Date(now)]
  if (then.toDateString() === today.toDateString()) return formats.time.format(then)
  return then.getFullYear() === today.getFullYear() ? formats.dayHere.format(then).replace(',', '') : formats.dayYear.format(then)
}
export const timeOf = (at: number): string => formats.time.format(at)
/** The exact moment, for a title. */
export const momentOf = (at: number): string => `${formats.dayYear.format(at)}, ${formats.time.format(at)}`

/** A length of time as "4 min", "1 h 5 min" or "40 s". */
export function lengthOf(ms: number): string {
  if (ms <= 0) return '–'
  if (ms < 60_000) return `${Math.max(1, Math.round(ms / 1000))} s`
  const minutes = Math.round(ms / 60_000)
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`
}
export const percentOf = (share: number): string => `${Math.round(share * 100)} %`
