import { Button, ButtonLink, chosen, Failed, Message, Select, TextField } from '../ui'
import type { RecordingTarget } from '@jackdaw/contracts/recording'
import { SentenceLanguage } from '@jackdaw/core/recording'
import { useState, type FormEvent } from 'react'
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

/** Begins a recording: of a new guide, or into a place in an existing one. */
export function RecordDialog({
  target,
  language = 'en',
  into,
  onClose,
}: {
  target: RecordingTarget
  language?: string
  /** Where the steps will go, in words. */
  into: string
  onClose: () => void
}) {
  const { t } = useTexts()
  const extension = useExtension()
  const record = useRecord()
  const [address, setAddress] = useState(remembered)
  const [wrong, setWrong] = useState('')
  const [words, setWords] = useState<SentenceLanguage>(SentenceLanguage.safeParse(language).data ?? 'en')
  const begin = (event: FormEvent) => {
    event.preventDefault()
    if (record.isPending) return
    const whole = addressFrom(address.trim())
    if (!whole) return setWrong(t('Enter the address of the application, such as https://orders.example.org'))
    remember(whole)
    record.mutate({ ask: 'record', address: whole, language: words, target }, { onSuccess: onClose })
  }
  const ready = extension.data?.ok && extension.data.paired
  return (
    <Dialog open onClose={onClose} title={t('Record')} about={into}>
      {extension.data === undefined ? (
        <p className="text-soft" role="status">
          {t('Looking for the recorder in this browser …')}
        </p>
      ) : !ready ? (
        <div className="space-y-4">
          <Message tone="warn" title={extension.data ? t('This browser is not paired yet') : t('The recorder is not in this browser yet')}>
            {t('It takes two minutes, once for each browser.')}
          </Message>
          <div className="flex justify-end gap-2">
            <Button onClick={onClose}>{t('Cancel')}</Button>
            <ButtonLink to="/recorder" look="primary">
              {extension.data ? t('Pair this browser') : t('Get the recorder')}
            </ButtonLink>
          </div>
        </div>
      ) : (
        <form className="space-y-4" noValidate onSubmit={begin}>
          <TextField
            label={t('Begin at this address')}
            hint={t('It opens in a new tab. Do the work there as always, then select Finish in the bar.')}
            inputMode="url"
            autoFocus
            maxLength={2000}
            value={address}
            error={wrong}
            onChange={(event) => {
              setAddress(event.target.value)
              setWrong('')
            }}
          />
          <Select label={t('Write the steps in')} value={words} onChange={chosen((value: SentenceLanguage) => setWords(value))}>
            {SentenceLanguage.options.map((each) => (
              <option key={each} value={each} lang={each}>
                {NAMES[each]}
              </option>
            ))}
          </Select>
          {record.isError && <Failed error={record.error} />}
          <div className="flex justify-end gap-2">
            <Button onClick={onClose}>{t('Cancel')}</Button>
            <Button type="submit" look="primary" disabled={record.isPending}>
              {record.isPending ? t('Starting …') : t('Start recording')}
            </Button>
          </div>
        </form>
      )}
    </Dialog>
  )
}
