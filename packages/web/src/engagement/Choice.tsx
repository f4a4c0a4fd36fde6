import { DateField } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useMe } from '../people'
import { betweenReleases, daysIn, todayHere, type DaysLooked } from './looking'
import { useReleases } from './queries'

type Options = readonly { id: string; name: string }[]
/** One of some things, by a list of the browser's own. */
export const Choice = ({
  label,
  value,
  options,
  onChoose,
}: {
  label: string
  value: string
  options: Options
  onChoose: (id: string) => void
}) => (
  <select
    aria-label={label}
    className="min-h-9 px-2 border border-edge rounded-md bg-sheet max-w-64"
    value={value}
    onChange={(event) => onChoose(event.target.value)}
  >
    {options.map(({ id, name }) => (
      <option key={id} value={id}>
        {name}
      </option>
    ))}
  </select>
)

/** Which days are looked at: so many up to today, or from one to another. */
export function DaysChoice({ search, set }: { search: DaysLooked; set: (more: { [K in keyof DaysLooked]?: string | undefined }) => void }) {
  const { t } = useTexts()
  const me = useMe()
  const releases = useReleases(me.permissions.includes('records.all') || me.hasReports).data ?? []
  const { from, to } = daysIn(search)
  const spans = betweenReleases(releases, todayHere())
  const chosen = search.days === 'own' ? spans.find((span) => span.from === from && span.to === to) : undefined
  const choose = (days: string) => {
    const span = spans.find(({ id }) => id === days)
    if (span) set({ days: 'own', from: span.from, to: span.to })
    else set(days === 'own' ? { days, from, to } : { days, from: undefined, to: undefined })
  }
  return (
    <>
      <Choice
        label={t('Days')}
        value={chosen?.id ?? search.days ?? '28'}
        options={[
          { id: '7', name: t('Last 7 days') },
          { id: '28', name: t('Last 4 weeks') },
          { id: '84', name: t('Last 12 weeks') },
          { id: '365', name: t('Last 365 days') },
          { id: 'own', name: t('From one day to another') },
          ...spans.map(({ id, since, until }) => ({
            id,
            name: until === null ? t('Since “{{since}}”', { since }) : t('From “{{since}}” to “{{until}}”', { since, until }),
          })),
        ]}
        onChoose={choose}
      />
      {search.days === 'own' && (
        <>
          <DateField label={t('From')} hidden value={from} max={to} onChange={(day) => set({ from: day })} />
          <DateField label={t('To')} hidden value={to} min={from} onChange={(day) => set({ to: day })} />
        </>
      )}
    </>
  )
}
