import { addDays, type LocalDate, localDateAt } from '@jackdaw/core/shared'
import { chosen } from '../ui'
import { USUAL_DAYS, USUAL_DUE, type DueRule } from '@jackdaw/core/assignments'
import { useTexts } from '../ui/words/texts'

/** Until when it is to be read: in days, on a date, or at leisure. */
export function DueFields({ due, onChange }: { due: DueRule; onChange: (due: DueRule) => void }) {
  const { t } = useTexts()
  const radio = 'size-[18px] accent-petrol'
  return (
    <fieldset className="space-y-2">
      <legend className="sr-only">{t('Until when')}</legend>
      <div className="flex items-center gap-2 flex-wrap">
        <label className="flex items-center gap-2">
          <input type="radio" name="due" className={radio} checked={due.kind === 'days'} onChange={() => onChange(USUAL_DUE)} />
          {t('Within')}
        </label>
        <input
          type="number"
          min={1}
          max={730}
          aria-label={t('Days')}
          className="w-20 min-h-9 px-2 border border-edge rounded-md"
          value={due.kind === 'days' ? due.days : USUAL_DAYS}
          disabled={due.kind !== 'days'}
          onChange={(event) => onChange({ kind: 'days', days: Math.min(730, Math.max(1, Math.round(Number(event.target.value)) || 1)) })}
        />
        <span>{t('days from the day on which somebody gets it')}</span>
      </div>
      <div className="flex items-center gap-2 flex-wrap">
        <label className="flex items-center gap-2">
          <input
            type="radio"
            name="due"
            className={radio}
            checked={due.kind === 'date'}
            onChange={() =>
              onChange({ kind: 'date', date: addDays(localDateAt(Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone), 14) })
            }
          />
          {t('On a date')}
        </label>
        {due.kind === 'date' && (
          <input
            type="date"
            aria-label={t('Due date')}
            required
            className="min-h-9 px-2 border border-edge rounded-md"
            value={due.date}
            onChange={chosen((value: LocalDate) => onChange({ kind: 'date', date: value }))}
          />
        )}
      </div>
      <label className="flex items-center gap-2">
        <input type="radio" name="due" className={radio} checked={due.kind === 'none'} onChange={() => onChange({ kind: 'none' })} />
        {t('No date')}
      </label>
      <p className="text-sm text-soft">
        {t('A day ends at midnight where the person works. Whoever has the guide already keeps their date.')}
      </p>
    </fieldset>
  )
}
