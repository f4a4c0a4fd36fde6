import { MOST_BEFORE_DAYS } from '@jackdaw/core/assignments'
import { Failed, Loaded, NumberField } from '../ui'
import { Toggle } from '../ui/fields/Toggle'
import { useTexts } from '../ui/words/texts'
import { useMyReminders, useSetMyReminders } from './reminderQueries'
import { reminderWords } from './reminderWords'

/** How one is reminded of what is due: what the company says, and how long before one wishes it besides. */
export function MyReminders() {
  const { t } = useTexts()
  const query = useMyReminders()
  const set = useSetMyReminders()
  return (
    <section aria-labelledby="my-reminders">
      <h2 id="my-reminders" className="text-lg">
        {t('When you are reminded')}
      </h2>
      <Loaded query={query}>
        {({ before: stored, ...company }) => {
          const before = set.isPending ? set.variables : stored
          return (
            <div className="space-y-2">
              <p className="text-sm text-soft">{reminderWords(t, company).join(' ')}</p>
              <Toggle on={before !== null} onChange={(on) => set.mutate(on ? 7 : null)} label={t('Remind me earlier, too')} />
              {before !== null && (
                <div className="w-48">
                  <NumberField
                    label={t('Days before')}
                    whole
                    late
                    min={1}
                    max={MOST_BEFORE_DAYS}
                    value={before}
                    onChange={(next) => set.mutate(next)}
                  />
                </div>
              )}
              {set.isError && <Failed error={set.error} />}
            </div>
          )
        }}
      </Loaded>
    </section>
  )
}
