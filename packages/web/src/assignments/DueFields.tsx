import { addDays, localDateAt } from '@jackdaw/core/shared'
import { MOST_DUE_DAYS, USUAL_DUE, type DueRule } from '@jackdaw/core/assignments'
import { Check, DateField, NumberField, Radios } from '../ui'
import { useTexts } from '../ui/words/texts'

/** What a way to be due begins with. */
function beginning(kind: DueRule['kind']): DueRule {
  if (kind === 'days') return USUAL_DUE
  if (kind === 'none') return { kind }
  return { kind, date: addDays(localDateAt(Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone), 14) }
}

/** Until when it is to be read: in days, on a date, or at leisure. */
export function DueFields({ due, onChange }: { due: DueRule; onChange: (due: DueRule) => void }) {
  const { t } = useTexts()
  return (
    <div className="space-y-2">
      <Radios
        label={t('Until when')}
        hidden
        value={due.kind}
        onChange={(kind) => onChange(beginning(kind))}
        options={[
          {
            value: 'days',
            words: t('Some days after somebody gets it'),
            more: due.kind === 'days' && <Days due={due} onChange={onChange} />,
          },
          {
            value: 'date',
            words: t('On a date'),
            more: due.kind === 'date' && (
              <DateField label={t('Due date')} value={due.date} onChange={(date) => onChange({ kind: 'date', date })} />
            ),
          },
          { value: 'none', words: t('No date') },
        ]}
      />
      <p className="text-sm text-soft">
        {t(
          'A day ends at midnight where the person works; days on which they are away are not counted. Whoever has the guide already keeps their date.',
        )}
      </p>
    </div>
  )
}

type InDays = DueRule & { kind: 'days' }
/** How many days, which are counted, and from when. */
function Days({ due, onChange }: { due: InDays; onChange: (due: InDays) => void }) {
  const { t } = useTexts()
  const { kind, days, working, from } = due
  const set = (change: { days?: number; working?: boolean; hire?: boolean }) => {
    const next = { days, working: working === true, hire: from === 'hire', ...change }
    onChange({ kind, days: next.days, ...(next.working ? { working: true } : {}), ...(next.hire ? { from: 'hire' } : {}) })
  }
  return (
    <>
      <div className="w-40">
        <NumberField label={t('Days')} whole min={1} max={MOST_DUE_DAYS} value={days} onChange={(next) => set({ days: next })} />
      </div>
      <Check
        checked={working === true}
        onChange={(event) => set({ working: event.target.checked })}
        label={t('Working days only')}
        hint={t('By the calendar of the site where the person works.')}
      />
      <Check
        checked={from === 'hire'}
        onChange={(event) => set({ hire: event.target.checked })}
        label={t('From their first day at work')}
        hint={t('Who has been here for longer than that has these days from when they get it.')}
      />
    </>
  )
}
