import type { Language } from '@jackdaw/core/people'
import { nth } from '@jackdaw/core/shared'
import { DATE_FORMS } from './dateForms'

let forms = DATE_FORMS.en
let numbers = new Intl.NumberFormat('en')
/** Writes days and numbers as a language does from now on. */
export function writeIn(language: Language): void {
  forms = DATE_FORMS[language]
  numbers = new Intl.NumberFormat(language)
}

/** A number as “12,040”. */
export const numberOf = (n: number): string => numbers.format(n)

/** A calendar day as "Tue 3 Nov". */
export function dayOf(date: string): string {
  const at = new Date(`${date}T00:00:00Z`)
  return forms.day(nth(forms.weekdays, at.getUTCDay()), at.getUTCDate(), nth(forms.months, at.getUTCMonth()))
}
/** A calendar day as “Tue 3 Nov”, with the year when it is another one. @param now epoch milliseconds */
export function dayAndYearOf(date: string, now = Date.now()): string {
  const at = new Date(`${date}T00:00:00Z`)
  return at.getUTCFullYear() === new Date(now).getFullYear()
    ? dayOf(date)
    : forms.ofYear(at.getUTCDate(), nth(forms.months, at.getUTCMonth()), at.getUTCFullYear())
}
/** The month of a calendar day as “Nov 2026”. */
export function monthOf(date: string): string {
  const at = new Date(`${date}T00:00:00Z`)
  return `${nth(forms.months, at.getUTCMonth())} ${at.getUTCFullYear()}`
}
const dayHere = (at: Date) => forms.day(nth(forms.weekdays, at.getDay()), at.getDate(), nth(forms.months, at.getMonth()))
const dayOfYear = (at: Date) => forms.ofYear(at.getDate(), nth(forms.months, at.getMonth()), at.getFullYear())
const twoDigits = (n: number) => String(n).padStart(2, '0')
const clockOf = (at: Date) => `${twoDigits(at.getHours())}:${twoDigits(at.getMinutes())}`

/** An instant as "Tue 3 Nov", as the time when it is today, with the year when it is another.
 * @param at epoch milliseconds */
export function whenOf(at: number, now = Date.now()): string {
  const [then, today] = [new Date(at), new Date(now)]
  if (then.toDateString() === today.toDateString()) return clockOf(then)
  return then.getFullYear() === today.getFullYear() ? dayHere(then) : dayOfYear(then)
}
export const timeOf = (at: number): string => clockOf(new Date(at))
/** The exact moment, for a title. */
export const momentOf = (at: number): string => `${dayOfYear(new Date(at))}, ${timeOf(at)}`

/** A length of time as "4 min", "1 h 5 min" or "40 s". */
export function lengthOf(ms: number): string {
  if (ms <= 0) return '–'
  if (ms < 60_000) return `${Math.max(1, Math.round(ms / 1000))} s`
  const minutes = Math.round(ms / 60_000)
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`
}
export const percentOf = (share: number): string => `${Math.round(share * 100)} %`
/** A number of bytes as "120 kB" or "1.2 MB". */
export const bytesOf = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1_000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`
