import { CompanyReminders } from '@jackdaw/contracts/assignments'
import { MOST_AFTER_DAYS, MOST_BEFORE_DAYS, ReminderRules } from '@jackdaw/core/assignments'
import { ENTRIES, type EntryKind, type MailRules } from '@jackdaw/core/inbox'
import { keysOf } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, Check, Failed, Loaded, NumberField, Select, showToast, TextField, TitleLine } from '../ui'
import { useTexts } from '../ui/words/texts'
import { FormPart } from './FormPart'
import { useReminders, useSetReminders } from './reminderQueries'
import { reminderWords } from './reminderWords'

/** When everybody is reminded, and when mail may leave. */
export function RemindersPage() {
  const query = useReminders()
  return <Loaded query={query}>{(stored) => <RemindersForm stored={stored} />}</Loaded>
}

/** Numbers of days as they are written in a field; `null` where it holds anything else. */
const daysIn = (text: string): number[] | null => {
  const parts = text.split(/[\s,;]+/).filter(Boolean)
  return parts.every((part) => /^\d{1,3}$/.test(part)) ? parts.map(Number) : null
}

function RemindersForm({ stored }: { stored: CompanyReminders }) {
  const { t } = useTexts()
  const save = useSetReminders()
  const [written, setWritten] = useState({ before: stored.reminders.before.join(', '), after: stored.reminders.after.join(', ') })
  const [managerAfter, setManagerAfter] = useState(stored.reminders.managerAfter)
  const [mail, setMail] = useState(stored.mail)
  const { before, after } = { before: daysIn(written.before), after: daysIn(written.after) }
  const fault = (days: number[] | null, name: 'before' | 'after', most: number) =>
    days !== null && ReminderRules.shape[name].safeParse(days).success
      ? undefined
      : t('Write up to ten whole numbers of days from 1 to {{most}}, with commas between them.', { most })
  const faults = { before: fault(before, 'before', MOST_BEFORE_DAYS), after: fault(after, 'after', MOST_AFTER_DAYS) }
  const rules = { reminders: { before: before ?? [], after: after ?? [], managerAfter }, mail }
  const whole = faults.before === undefined && faults.after === undefined && CompanyReminders.safeParse(rules).success
  return (
    <form
      className="grow flex flex-col"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (whole && !save.isPending) save.mutate(rules, { onSuccess: () => showToast(t('Saved')) })
      }}
    >
      <title>{t('Reminders – Jackdaw')}</title>
      <TitleLine title={t('Reminders')} state={t('When people are reminded of what they are to do, and when mail may leave.')}>
        <Button type="submit" look="primary" className="min-h-10" disabled={!whole || save.isPending}>
          {t('Save')}
        </Button>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-2xl space-y-7">
          {save.isError && <Failed error={save.error} />}
          <FormPart title={t('Reminders')}>
            <div className="grid sm:grid-cols-2 gap-4">
              <TextField
                label={t('Days before the due day')}
                value={written.before}
                onChange={(event) => setWritten({ ...written, before: event.target.value })}
                error={faults.before}
              />
              <TextField
                label={t('Days after the due day')}
                value={written.after}
                onChange={(event) => setWritten({ ...written, after: event.target.value })}
                error={faults.after}
              />
            </div>
            <Check
              checked={managerAfter !== null}
              onChange={(event) => setManagerAfter(event.target.checked ? 3 : null)}
              label={t('Tell whoever they report to')}
              hint={t('Once for each thing that is late. Who reports to nobody is told of nobody.')}
            />
            {managerAfter !== null && (
              <div className="w-48">
                <NumberField
                  label={t('Days after the due day')}
                  whole
                  min={1}
                  max={MOST_AFTER_DAYS}
                  value={managerAfter}
                  onChange={setManagerAfter}
                />
              </div>
            )}
            <p className="text-sm text-soft">{t('Nobody is reminded while they are away, or of what is waived or done.')}</p>
          </FormPart>
          <QuietHours mail={mail} onChange={setMail} />
          <FormPart title={t('What everybody is mailed')}>
            <Least least={mail.least} onChange={(least) => setMail({ ...mail, least })} />
          </FormPart>
          {whole && <p className="border-l-4 border-hair pl-3">{reminderWords(t, rules).join(' ')}</p>}
        </div>
      </div>
    </form>
  )
}

/** When no mail leaves. */
function QuietHours({ mail, onChange }: { mail: MailRules; onChange: (mail: MailRules) => void }) {
  const { t } = useTexts()
  return (
    <FormPart title={t('Quiet hours')}>
      <div className="grid grid-cols-2 gap-4 max-w-sm">
        <HourField label={t('From')} value={mail.quietFrom} onChange={(quietFrom) => onChange({ ...mail, quietFrom })} />
        <HourField label={t('Until')} value={mail.quietUntil} onChange={(quietUntil) => onChange({ ...mail, quietUntil })} />
      </div>
      <p className="text-sm text-soft">
        {t(
          'By the clock where somebody works. At most one mail a day leaves for each person, with all that they are told. Invitations and links for passwords leave at once.',
        )}
      </p>
    </FormPart>
  )
}

function HourField({ label, value, onChange }: { label: string; value: number; onChange: (hour: number) => void }) {
  return (
    <Select label={label} value={value} onChange={(event) => onChange(Number(event.target.value))}>
      {Array.from({ length: 24 }, (_, hour) => (
        <option key={hour} value={hour}>
          {`${String(hour).padStart(2, '0')}:00`}
        </option>
      ))}
    </Select>
  )
}

/** The kinds that nobody can switch off. */
function Least({ least, onChange }: { least: readonly EntryKind[]; onChange: (least: EntryKind[]) => void }) {
  const { t } = useTexts()
  return (
    <fieldset>
      <legend className="text-sm text-soft mb-1">
        {t('Everybody chooses what comes as mail. What is ticked here comes in any case.')}
      </legend>
      {keysOf(ENTRIES).map((kind) => (
        <Check
          key={kind}
          checked={least.includes(kind)}
          onChange={(event) => onChange(event.target.checked ? [...least, kind] : least.filter((each) => each !== kind))}
          label={t(ENTRIES[kind].choice)}
        />
      ))}
    </fieldset>
  )
}
