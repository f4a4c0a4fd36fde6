import type { Holiday, SiteCalendar } from '@jackdaw/contracts/calendar'
import { WEEKDAYS } from '@jackdaw/core/calendar'
import { addDays, groupedBy, localDateAt, type GroupId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, dayOf, Loaded } from '../ui'
import { useTexts } from '../ui/words/texts'
import { EditWorkingDays } from './EditWorkingDays'
import { useCalendar } from './queries'
import { weekdayNames } from './weekdayNames'

/** On which days people of a site work: due days are counted by it. */
export function WorkingDays({ groupId, zone, changes }: { groupId: GroupId; zone: string; changes: boolean }) {
  const { t } = useTexts()
  const [open, setOpen] = useState(false)
  return (
    <Loaded query={useCalendar(groupId)}>
      {(calendar) =>
        open ? (
          <EditWorkingDays groupId={groupId} calendar={calendar} onDone={() => setOpen(false)} />
        ) : (
          <>
            <Shown calendar={calendar} zone={zone} />
            {changes && (
              <Button className="mt-2" onClick={() => setOpen(true)}>
                {t('Change the days off')}
              </Button>
            )}
          </>
        )
      }
    </Loaded>
  )
}

function Shown({ calendar: { daysOff, holidays }, zone }: { calendar: SiteCalendar; zone: string }) {
  const { t } = useTexts()
  const names = weekdayNames(t)
  const today = localDateAt(Date.now(), zone)
  const inAYear = addDays(today, 366)
  const soon = holidays.filter(({ day }) => day >= today && day < inAYear)
  const later = holidays.filter(({ day }) => day >= inAYear)
  const working = WEEKDAYS.filter((day) => !daysOff.includes(day)).map((day) => names[day])
  return (
    <>
      <p>
        {daysOff.length === 0
          ? t('People work here on every day of the week.')
          : t('People work here on: {{days}}.', { days: working.join(', ') })}
      </p>
      {soon.length + later.length === 0 ? (
        <p className="text-soft text-sm mt-1">{t('No days off besides are noted from today on.')}</p>
      ) : (
        <>
          <ByYear holidays={soon} />
          {later.length > 0 && (
            <details className="mt-2">
              <summary className="text-sm text-petrol cursor-pointer min-h-8">
                {t('{{count}} later days off', { count: later.length })}
              </summary>
              <ByYear holidays={later} />
            </details>
          )}
        </>
      )}
    </>
  )
}

/** Days off under their years. */
function ByYear({ holidays }: { holidays: readonly Holiday[] }) {
  return [...groupedBy(holidays, ({ day }) => day.slice(0, 4))].map(([year, days]) => (
    <section key={year} className="mt-3" aria-label={year}>
      <h3 className="text-sm font-semibold">{year}</h3>
      <ul className="text-sm columns-1 sm:columns-2 gap-x-8">
        {days.map(({ day, name }) => (
          <li key={day} className="flex gap-3 py-1 border-b border-hair break-inside-avoid">
            <span className="w-24 shrink-0">{dayOf(day)}</span>
            <span dir="auto">{name}</span>
          </li>
        ))}
      </ul>
    </section>
  ))
}
