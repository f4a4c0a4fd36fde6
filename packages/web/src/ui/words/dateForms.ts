import type { Language } from '@jackdaw/core/people'

/** How days are written in a language. `weekdays` from Sunday. */
type DateForms = {
  weekdays: readonly string[]
  months: readonly string[]
  day: (weekday: string, day: number, month: string) => string
  ofYear: (day: number, month: string, year: number) => string
}

/** The browser could write dates itself, but to ask it for the first time takes a phone a tenth of a second, just before anything can be
 * seen. */
export const DATE_FORMS: Record<Language, DateForms> = {
  en: {
    weekdays: 'Sun Mon Tue Wed Thu Fri Sat'.split(' '),
    months: 'Jan Feb Mar Apr May Jun Jul Aug Sept Oct Nov Dec'.split(' '),
    day: (weekday, day, month) => `${weekday} ${day} ${month}`,
    ofYear: (day, month, year) => `${day} ${month} ${year}`,
  },
  de: {
    weekdays: 'So. Mo. Di. Mi. Do. Fr. Sa.'.split(' '),
    months: 'Jan. Feb. März Apr. Mai Juni Juli Aug. Sept. Okt. Nov. Dez.'.split(' '),
    day: (weekday, day, month) => `${weekday} ${day}. ${month}`,
    ofYear: (day, month, year) => `${day}. ${month} ${year}`,
  },
}
