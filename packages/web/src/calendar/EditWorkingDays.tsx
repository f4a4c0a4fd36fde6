import { MOST_CALENDAR_BYTES, type Holiday, type SiteCalendar } from '@jackdaw/contracts/calendar'
import { HOLIDAY_NAME_LETTERS, MOST_HOLIDAYS, WEEKDAYS, type Weekday } from '@jackdaw/core/calendar'
import { LocalDate, type GroupId } from '@jackdaw/core/shared'
import { CalendarPlus, Plus, X } from 'lucide-react'
import { useRef, useState } from 'react'
import { Button, Check, dayAndYearOf, Failed, IconButton, Message, showToast, TextField } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useReadCalendarFile, useSaveCalendar } from './queries'
import { weekdayNames } from './weekdayNames'

/** Days off with others: where both name a day, it is called as the others say. */
const withOthers = (holidays: readonly Holiday[], others: readonly Holiday[]): Holiday[] =>
  [...new Map([...holidays, ...others].map((holiday) => [holiday.day, holiday])).values()].sort((a, b) => (a.day < b.day ? -1 : 1))

/** Says on which days nobody works: by weekday, one by one, or by a calendar file. Nothing counts before it is saved. */
export function EditWorkingDays({ groupId, calendar, onDone }: { groupId: GroupId; calendar: SiteCalendar; onDone: () => void }) {
  const { t } = useTexts()
  const save = useSaveCalendar(groupId)
  const [daysOff, setDaysOff] = useState<readonly Weekday[]>(calendar.daysOff)
  const [holidays, setHolidays] = useState<readonly Holiday[]>(calendar.holidays)
  const tooMany = holidays.length > MOST_HOLIDAYS
  const never = daysOff.length === WEEKDAYS.length
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate(
          { daysOff: [...daysOff], holidays: [...holidays] },
          {
            onSuccess: () => {
              showToast(t('The days off are saved; due days follow'))
              onDone()
            },
          },
        )
      }}
    >
      <Weekdays daysOff={daysOff} onChange={setDaysOff} />
      {never && <p className="text-sm text-ochre">{t('On at least one day of the week somebody has to work.')}</p>}
      <h3 className="font-semibold mt-4">{t('{{count}} days off besides', { count: holidays.length })}</h3>
      <ul className="text-sm max-h-72 overflow-y-auto" tabIndex={0} aria-label={t('Days off besides')}>
        {holidays.map((holiday) => (
          <li key={holiday.day} className="flex items-center gap-3 border-b border-hair">
            <span className="w-28 shrink-0">{dayAndYearOf(holiday.day)}</span>
            <span className="grow min-w-0" dir="auto">
              {holiday.name}
            </span>
            <IconButton
              name={t('Take out {{day}}', { day: dayAndYearOf(holiday.day) })}
              onClick={() => setHolidays(holidays.filter((each) => each !== holiday))}
            >
              <X size={16} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <AddDay onAdd={(holiday) => setHolidays(withOthers(holidays, [holiday]))} />
      <FromFile onRead={(read) => setHolidays(withOthers(holidays, read))} />
      {tooMany && (
        <p className="text-sm text-ochre">{t('A site has at most {{most}} days off. Take some out.', { most: MOST_HOLIDAYS })}</p>
      )}
      {save.isError && <Failed error={save.error} />}
      <div className="flex gap-2 border-t border-hair pt-3 mt-3">
        <Button type="submit" look="primary" disabled={save.isPending || tooMany || never}>
          {save.isPending ? t('Saving …') : t('Save the days off')}
        </Button>
        <Button onClick={onDone}>{t('Cancel')}</Button>
      </div>
    </form>
  )
}

function Weekdays({ daysOff, onChange }: { daysOff: readonly Weekday[]; onChange: (daysOff: readonly Weekday[]) => void }) {
  const { t } = useTexts()
  const names = weekdayNames(t)
  return (
    <fieldset>
      <legend className="font-semibold">{t('Nobody works on')}</legend>
      <div className="flex flex-wrap gap-x-5">
        {WEEKDAYS.map((day) => (
          <Check
            key={day}
            label={names[day]}
            checked={daysOff.includes(day)}
            onChange={(event) => onChange(event.target.checked ? [...daysOff, day] : daysOff.filter((each) => each !== day))}
          />
        ))}
      </div>
    </fieldset>
  )
}

/** One day off more. */
function AddDay({ onAdd }: { onAdd: (holiday: Holiday) => void }) {
  const { t } = useTexts()
  const [day, setDay] = useState('')
  const [name, setName] = useState('')
  const taken = LocalDate.safeParse(day).data
  const add = () => {
    if (!taken) return
    onAdd({ day: taken, name: name.trim() })
    setDay('')
    setName('')
  }
  return (
    <div
      className="flex flex-wrap items-end gap-2 mt-2"
      onKeyDown={(event) => {
        if (event.key !== 'Enter' || (event.target as HTMLElement).tagName !== 'INPUT') return
        event.preventDefault()
        add()
      }}
    >
      <TextField label={t('Day off')} type="date" value={day} onChange={(event) => setDay(event.target.value)} />
      <TextField label={t('Called')} maxLength={HOLIDAY_NAME_LETTERS} value={name} onChange={(event) => setName(event.target.value)} />
      <Button className="min-h-10" disabled={!taken} onClick={add}>
        <Plus size={16} aria-hidden />
        {t('Add the day')}
      </Button>
    </div>
  )
}

/** Days off of a calendar file. */
function FromFile({ onRead }: { onRead: (holidays: readonly Holiday[]) => void }) {
  const { t } = useTexts()
  const read = useReadCalendarFile()
  const input = useRef<HTMLInputElement>(null)
  const [tooLarge, setTooLarge] = useState(false)
  const take = (file: File | undefined) => {
    setTooLarge(file !== undefined && file.size > MOST_CALENDAR_BYTES)
    if (file && file.size <= MOST_CALENDAR_BYTES) read.mutate(file, { onSuccess: ({ holidays }) => onRead(holidays) })
  }
  return (
    <div className="mt-3 space-y-2">
      <input
        ref={input}
        type="file"
        accept=".ics,text/calendar"
        className="sr-only"
        tabIndex={-1}
        aria-label={t('Calendar file')}
        onChange={(event) => {
          take(event.target.files?.[0])
          event.target.value = ''
        }}
      />
      <Button disabled={read.isPending} onClick={() => input.current?.click()}>
        <CalendarPlus size={16} aria-hidden />
        {read.isPending ? t('Reading the file …') : t('Add the days of a calendar file (.ics)')}
      </Button>
      {tooLarge && <Message tone="bad" title={t('A calendar file may have 2 MB.')} role="alert" />}
      {read.isError && <Failed error={read.error} />}
      {read.data && (
        <p role="status" className="text-sm">
          {t('{{count}} days of the file stand in the list; they count once you save.', { count: read.data.holidays.length })}
          {read.data.left > 0 &&
            ` ${t('{{count}} entries are no whole days or were called off, and were left out.', { count: read.data.left })}`}
        </p>
      )}
    </div>
  )
}
