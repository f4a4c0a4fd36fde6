import type { Absence, PersonShown } from '@jackdaw/contracts/directory'
import { LocalDate } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, dayAndYearOf, Failed, TextField } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useSaveAbsences } from './queries'

/** When somebody is away: seen by everybody, said by themselves, their managers, and those who look after people. */
export function Absences({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const save = useSaveAbsences(person.id)
  const [from, setFrom] = useState('')
  const [until, setUntil] = useState('')
  const days = { from: LocalDate.safeParse(from).data, until: LocalDate.safeParse(until).data }
  const next: Absence | null = days.from && days.until ? { from: days.from, until: days.until } : null
  return (
    <section>
      <h2 className="text-lg border-b-2 border-ink mb-2">{t('Away')}</h2>
      {person.absences.length === 0 && <p className="text-soft text-sm">{t('Nothing is said of being away.')}</p>}
      <ul className="text-sm">
        {person.absences.map((absence) => (
          <li key={absence.from} className="flex items-center gap-2 py-1 border-b border-hair">
            <span className="grow">
              {t('{{from}} to {{until}}', { from: dayAndYearOf(absence.from), until: dayAndYearOf(absence.until) })}
            </span>
            {person.maySayAway && (
              <Button
                look="quiet"
                disabled={save.isPending}
                aria-label={t('Take out: away from {{day}}', { day: dayAndYearOf(absence.from) })}
                onClick={() => save.mutate(person.absences.filter((each) => each !== absence))}
              >
                {t('Take out')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {person.maySayAway && (
        <form
          className="flex flex-wrap items-end gap-2 mt-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (next)
              save.mutate([...person.absences, next], {
                onSuccess: () => {
                  setFrom('')
                  setUntil('')
                },
              })
          }}
        >
          <TextField label={t('First day away')} type="date" value={from} onChange={(event) => setFrom(event.target.value)} />
          <TextField label={t('Last day away')} type="date" min={from} value={until} onChange={(event) => setUntil(event.target.value)} />
          <Button type="submit" className="min-h-10" disabled={!next || save.isPending}>
            {t('Note it')}
          </Button>
        </form>
      )}
      {save.isError && <Failed error={save.error} />}
    </section>
  )
}
