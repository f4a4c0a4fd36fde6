import { LocalDate } from '@jackdaw/core/shared'
import type { InvitationTime } from '@jackdaw/contracts/account'
import { Radios } from '../../ui'
import { boxClass } from '../../ui/fields/Frame'
import { useTexts } from '../../ui/words/texts'

/** When an invitation leaves, as it is chosen. */
export type ChosenTime = { when: 'now' | 'not-yet' | 'day'; day: string }

/** The time that was chosen; `null` while the day is none. */
export function timeOf({ when, day }: ChosenTime): InvitationTime | null {
  if (when !== 'day') return when
  const date = LocalDate.safeParse(day).data
  return date ? new Date(`${date}T08:00`).getTime() : null
}

/** Asks when an invitation leaves. */
export function InvitationTimeField({ value, onChange }: { value: ChosenTime; onChange: (value: ChosenTime) => void }) {
  const { t } = useTexts()
  return (
    <Radios
      label={t('When it leaves')}
      value={value.when}
      onChange={(when) => onChange({ ...value, when })}
      options={[
        { value: 'now', words: t('At once') },
        {
          value: 'day',
          words: t('On a day, at eight in the morning'),
          more: (
            <input
              type="date"
              required
              aria-label={t('Day')}
              className={`${boxClass()} max-w-44`}
              value={value.day}
              onChange={(event) => onChange({ ...value, day: event.target.value })}
            />
          ),
        },
        { value: 'not-yet', words: t('Not yet') },
      ]}
    />
  )
}
