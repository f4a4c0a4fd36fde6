import type { Entry } from '@jackdaw/contracts/inbox'
import { entrySaid } from '@jackdaw/core/inbox'
import { LocalDate } from '@jackdaw/core/shared'
import type { TFunction } from 'i18next'
import { dayOf } from '../ui'

/** What an entry says, in the language of the person. */
export function entryWords({ kind, about, data }: Entry, t: TFunction): { title: string; more: string; act: string; to: string } {
  const { words, more, act, to, into } = entrySaid(kind, about, data)
  const written = Object.fromEntries(
    Object.entries(into).map(([name, value]) => {
      const day = LocalDate.safeParse(value)
      return [name, day.success ? dayOf(day.data) : value]
    }),
  )
  return { title: t(words, written), more: t(more, written), act: t(act), to }
}
