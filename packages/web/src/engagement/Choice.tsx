import { DateField } from '../ui'
import { useTexts } from '../ui/words/texts'
import { daysIn, type DaysLooked } from './looking'

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
  const { from, to } = daysIn(search)
  return (
    <>
      <Choice
        label={t('Days')}
        value={search.days ?? '28'}
        options={[
          { id: '7', name: t('Last 7 days') },
          { id: '28', name: t('Last 4 weeks') },
          { id: '84', name: t('Last 12 weeks') },
          { id: '365', name: t('Last 365 days') },
          { id: 'own', name: t('From one day to another') },
        ]}
        onChoose={(days) => set(days === 'own' ? { days, from, to } : { days, from: undefined, to: undefined })}
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
