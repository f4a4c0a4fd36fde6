import { LINK_ASKS, isUseNumber, LONGEST_NUMBER, type LinkAsks } from '@jackdaw/core/sharing'
import type { GuideId, LocalDate } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, Check, chosen, DateField, Radios, Select, TextArea, TextField } from '../ui'
import { Dialog } from '../ui/over/Dialog'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { useCopy } from './copyLink'
import { asksName } from './linkWords'
import { useCreateLink } from './queries'

type Number = 'none' | 'asked' | 'carried'
const MONTH_MS = 30 * 86_400_000
const inAMonth = (): LocalDate => new Date(Date.now() + MONTH_MS).toISOString().slice(0, 10) as LocalDate

/** Makes a link for guests, and then shows it, this once. */
export function NewLinkDialog({ guideId, onClose }: { guideId: GuideId; onClose: () => void }) {
  const { t } = useTexts()
  const create = useCreateLink(guideId)
  const [number, setNumber] = useState<Number>('none')
  const [asks, setAsks] = useState<LinkAsks>('vehicle')
  const [carries, setCarries] = useState('')
  const [until, setUntil] = useState<LocalDate | null>(inAMonth)
  if (create.data) return <MadeLink address={create.data.address} onClose={onClose} />
  const isNumber = isUseNumber(carries)
  return (
    <FormDialog
      title={t('New link for guests')}
      about={t('Whoever has the link reads the guide without signing in. They see this one guide, and no names of people.')}
      yes={t('Make the link')}
      send={create}
      ready={number !== 'carried' || isNumber}
      onClose={onClose}
      onSubmit={(event) => {
        event.preventDefault()
        create.mutate({
          asksFor: number === 'asked' ? asks : null,
          carries: number === 'carried' ? carries.trim() : null,
          expiresOn: until,
        })
      }}
    >
      <Radios
        label={t('By what is its use found later?')}
        value={number}
        onChange={setNumber}
        options={[
          { value: 'none', words: t('By nothing: visits are only counted') },
          {
            value: 'asked',
            words: t('By a number that guests are asked for first'),
            more: (
              <Select label={t('Which number')} value={asks} onChange={chosen<LinkAsks>(setAsks)}>
                {LINK_ASKS.map((each) => (
                  <option key={each} value={each}>
                    {asksName(each, t)}
                  </option>
                ))}
              </Select>
            ),
          },
          {
            value: 'carried',
            words: t('By a number that the link carries'),
            hint: t('Make one link for each job, vehicle or session.'),
            more: (
              <TextField
                label={t('The number')}
                maxLength={LONGEST_NUMBER}
                value={carries}
                onChange={(event) => setCarries(event.target.value)}
                error={
                  carries.trim() !== '' && !isNumber
                    ? t('A number has figures in it; letters, spaces and hyphens may stand beside them.')
                    : undefined
                }
              />
            ),
          },
        ]}
      />
      <div className="space-y-2">
        <Check
          checked={until !== null}
          onChange={(event) => setUntil(event.target.checked ? inAMonth() : null)}
          label={t('It ends by itself')}
        />
        {until !== null && (
          <div className="w-56 ml-7">
            <DateField label={t('The last day on which it holds')} value={until} onChange={setUntil} />
          </div>
        )}
      </div>
    </FormDialog>
  )
}

/** The address of a link that was made. Nobody can look it up again. */
function MadeLink({ address, onClose }: { address: string; onClose: () => void }) {
  const { t } = useTexts()
  const copy = useCopy()
  const frame = `<iframe src="${address}" title="${t('Guide')}" width="100%" height="720" style="border:0"></iframe>`
  return (
    <Dialog open onClose={onClose} title={t('The link is made')} about={t('Copy it now: it is not kept here, and cannot be shown again.')}>
      <div className="space-y-5">
        <Copied label={t('Link')} text={address} onCopy={() => void copy(address, t('The link is copied.'))} />
        <details>
          <summary className="cursor-pointer font-semibold min-h-9">{t('Show it in a page of your own')}</summary>
          <p className="text-sm text-soft mb-3">{t('The site has to be among those that an admin has named for guests.')}</p>
          <Copied label={t('For the page')} text={frame} onCopy={() => void copy(frame, t('It is copied.'))} />
        </details>
        <div className="flex justify-end">
          <Button onClick={onClose}>{t('Close')}</Button>
        </div>
      </div>
    </Dialog>
  )
}

function Copied({ label, text, onCopy }: { label: string; text: string; onCopy: () => void }) {
  const { t } = useTexts()
  return (
    <div className="space-y-2">
      <TextArea label={label} readOnly rows={3} value={text} onFocus={(event) => event.target.select()} />
      <Button look="primary" onClick={onCopy}>
        {t('Copy')}
      </Button>
    </div>
  )
}
