import { chosen, DateField, NumberField, Select, TextArea, TextField } from '../../ui'
import { keysOf, LocalDate, localDateAt } from '@jackdaw/core/shared'
import type { Accept } from '@jackdaw/core/guides'
import { useTexts } from '../../ui/words/texts'

type How = Accept['how']

/** What an accepted entry is when another rule is chosen for it; what was said so far is kept where it fits. */
function changedTo(how: How, was: Accept): Accept {
  const value = 'value' in was ? was.value : 'values' in was ? (was.values[0] ?? '') : 'pattern' in was ? was.pattern : ''
  switch (how) {
    case 'exact':
    case 'same':
    case 'without-blanks':
      return { how, value }
    case 'pattern':
      return { how, pattern: value }
    case 'range':
      return { how, least: Number.isFinite(Number(value)) && value !== '' ? Number(value) : null, most: null }
    case 'one-of':
      return { how, values: value === '' ? [] : [value] }
    case 'date':
      return { how, date: LocalDate.safeParse(value).data ?? localDateAt(Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone) }
    case 'anything':
      return { how }
  }
}

/** The rule by which an entry is taken as right. */
export function AcceptFields({ accept, label, onChange }: { accept: Accept; label: string; onChange: (accept: Accept) => void }) {
  const { t } = useTexts()
  const names: Record<How, string> = {
    same: t('This, in any case; numbers and dates as people write them'),
    exact: t('Exactly this'),
    'without-blanks': t('This, with or without blanks'),
    'one-of': t('One of several'),
    range: t('A number in a range'),
    date: t('A day'),
    pattern: t('A pattern'),
    anything: t('Anything'),
  }
  return (
    <div className="space-y-2">
      <Select label={label} value={accept.how} onChange={chosen((value: How) => onChange(changedTo(value, accept)))}>
        {keysOf(names).map((how) => (
          <option key={how} value={how}>
            {names[how]}
          </option>
        ))}
      </Select>
      {'value' in accept && (
        <TextField
          label={t('Right entry')}
          value={accept.value}
          maxLength={2_000}
          onChange={(event) => onChange({ ...accept, value: event.target.value })}
        />
      )}
      {accept.how === 'pattern' && (
        <TextField
          label={t('Pattern')}
          hint={t('# a digit, @ a letter, ? any one sign, * any number of signs. For example SO-####.')}
          value={accept.pattern}
          maxLength={200}
          onChange={(event) => onChange({ ...accept, pattern: event.target.value })}
        />
      )}
      {accept.how === 'range' && (
        <div className="grid grid-cols-2 gap-2">
          <NumberField empty label={t('At least')} value={accept.least} onChange={(least) => onChange({ ...accept, least })} />
          <NumberField empty label={t('At most')} value={accept.most} onChange={(most) => onChange({ ...accept, most })} />
        </div>
      )}
      {accept.how === 'one-of' && (
        <LinesField label={t('Right entries, one a line')} lines={accept.values} onChange={(values) => onChange({ ...accept, values })} />
      )}
      {accept.how === 'date' && <DateField label={t('Day')} value={accept.date} onChange={(date) => onChange({ ...accept, date })} />}
    </div>
  )
}

/** Several short texts, one a line. */
export function LinesField({
  label,
  hint,
  lines,
  onChange,
}: {
  label: string
  hint?: string
  lines: readonly string[]
  onChange: (lines: string[]) => void
}) {
  return (
    <TextArea
      label={label}
      hint={hint}
      rows={Math.min(6, lines.length + 1)}
      defaultValue={lines.join('\n')}
      onChange={(event) =>
        onChange(
          event.target.value
            .split('\n')
            .map((line) => line.trim().slice(0, 300))
            .filter(Boolean)
            .slice(0, 50),
        )
      }
    />
  )
}
