import { Button, ButtonLink, Message, Select, TextField } from '../ui'
import { useFormOf } from '../ui/fields/useFormOf'
import { FormDialog } from '../ui/over/FormDialog'
import type { RecordingTarget } from '@jackdaw/contracts/recording'
import { SentenceLanguage } from '@jackdaw/core/recording'
import * as z from 'zod/mini'
import { useTexts } from '../ui/words/texts'
import { Dialog } from '../ui/over/Dialog'
import { useExtension, useRecord } from './queries'

const NAMES: Record<SentenceLanguage, string> = { en: 'English', pl: 'Polski', es: 'Español', de: 'Deutsch' }
const LAST_ADDRESS = 'record-from'
/** An address as people type it; `null` when it cannot be one that is recorded. */
function addressFrom(typed: string): string | null {
  const whole = /^[a-z][a-z0-9+.-]*:\/\//i.test(typed) ? typed : `https://${typed}`
  return URL.canParse(whole) && /^https?:$/.test(new URL(whole).protocol) ? whole : null
}
const remembered = (): string => {
  try {
    return localStorage.getItem(LAST_ADDRESS) ?? ''
  } catch {
    return '' // the browser keeps nothing for this site; the field begins empty
  }
}
const remember = (address: string): void => {
  try {
    localStorage.setItem(LAST_ADDRESS, address)
  } catch {
    // The browser keeps nothing for this site; next time the field begins empty.
  }
}

/** Where a recording begins, and in which language its steps are written. */
const Start = z.object({
  address: z.pipe(
    z.string(),
    z.transform((typed, context) => {
      const whole = addressFrom(typed.trim())
      if (whole !== null) return whole
      context.issues.push({
        code: 'custom',
        input: typed,
        message: 'Enter the address of the application, such as https://orders.example.org',
      })
      return z.NEVER
    }),
  ),
  language: SentenceLanguage,
})

type RecordDialogProps = {
  target: RecordingTarget
  language?: string
  /** Where the steps will go, in words. */
  into: string
  onClose: () => void
}

/** Begins a recording: of a new guide, or into a place in an existing one. */
export function RecordDialog(asked: RecordDialogProps) {
  const { t } = useTexts()
  const extension = useExtension()
  if (extension.data?.ok && extension.data.paired) return <StartRecording {...asked} />
  return (
    <Dialog open onClose={asked.onClose} title={t('Record')} about={asked.into}>
      {extension.data === undefined ? (
        <p className="text-soft" role="status">
          {t('Looking for the recorder in this browser …')}
        </p>
      ) : (
        <div className="space-y-4">
          <Message tone="warn" title={extension.data ? t('This browser is not paired yet') : t('The recorder is not in this browser yet')}>
            {t('It takes two minutes, once for each browser.')}
          </Message>
          <div className="flex justify-end gap-2">
            <Button onClick={asked.onClose}>{t('Cancel')}</Button>
            <ButtonLink to="/recorder" look="primary">
              {extension.data ? t('Pair this browser') : t('Get the recorder')}
            </ButtonLink>
          </div>
        </div>
      )}
    </Dialog>
  )
}

function StartRecording({ target, language = 'en', into, onClose }: RecordDialogProps) {
  const { t } = useTexts()
  const record = useRecord()
  const { register, sending, faultOf } = useFormOf(Start, {
    address: remembered(),
    language: SentenceLanguage.safeParse(language).data ?? 'en',
  })
  return (
    <FormDialog
      title={t('Record')}
      about={into}
      yes={t('Start recording')}
      sending={t('Starting …')}
      send={record}
      onClose={onClose}
      onSubmit={sending(({ address, language }) => {
        remember(address)
        record.mutate({ ask: 'record', address, language, target }, { onSuccess: onClose })
      })}
    >
      <TextField
        label={t('Begin at this address')}
        hint={t('It opens in a new tab. Do the work there as always, then select Finish in the bar.')}
        inputMode="url"
        autoFocus
        maxLength={2000}
        {...register('address')}
        error={faultOf('address')}
      />
      <Select label={t('Write the steps in')} {...register('language')}>
        {SentenceLanguage.options.map((each) => (
          <option key={each} value={each} lang={each}>
            {NAMES[each]}
          </option>
        ))}
      </Select>
    </FormDialog>
  )
}
