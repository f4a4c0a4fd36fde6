import type { Edition, Publication } from '@jackdaw/contracts/publishing'
import type { GuideId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, momentOf, showToast, TextArea } from '../ui'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { FormPart } from './FormPart'
import { useWithdraw } from './queries'

/** The editions of a guide, the newest first; the one that holds can be withdrawn while another could take its place. */
export function EditionsSoFar({ id, editions }: { id: GuideId } & Pick<Publication, 'editions'>) {
  const { t } = useTexts()
  const [asked, setAsked] = useState<Edition | null>(null)
  const [holds, after] = editions.filter(({ withdrawn }) => withdrawn === null)
  return (
    <FormPart title={t('Editions so far')}>
      <ul className="text-sm">
        {editions.map((edition) => (
          <li key={edition.number} className="py-1.5 border-b border-hair flex gap-4">
            <div className="grow">
              <strong>{t('Edition {{n}}', { n: edition.number })}</strong> · {momentOf(edition.publishedAt)} · {edition.publishedBy.name}
              {edition.mustReread && ` · ${t('had to be read again')}`}
              {edition === holds && ` · ${t('holds')}`}
              <span className="block text-soft">{edition.changeNote}</span>
              {edition.withdrawn && (
                <span className="block text-brick">
                  {t('Withdrawn {{when}}: {{why}}', { when: momentOf(edition.withdrawn.at), why: edition.withdrawn.why })}
                </span>
              )}
            </div>
            {edition === holds && after && (
              <Button look="quiet" onClick={() => setAsked(edition)}>
                {t('Withdraw …')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {asked && after && <Withdraw id={id} edition={asked} after={after} onClose={() => setAsked(null)} />}
    </FormPart>
  )
}

function Withdraw({ id, edition, after, onClose }: { id: GuideId; edition: Edition; after: Edition; onClose: () => void }) {
  const { t } = useTexts()
  const withdraw = useWithdraw(id)
  const [why, setWhy] = useState('')
  return (
    <FormDialog
      title={t('Withdraw edition {{n}}?', { n: edition.number })}
      about={t(
        'Edition {{after}} holds at once, for your people and for guests. Whoever reads edition {{n}} just now is told and led there. It cannot be undone; the draft stays as it is.',
        {
          after: after.number,
          n: edition.number,
        },
      )}
      yes={t('Withdraw it')}
      sending={t('It is withdrawn …')}
      send={withdraw}
      ready={why.trim() !== ''}
      onClose={onClose}
      onSubmit={(event) => {
        event.preventDefault()
        withdraw.mutate(
          { edition: edition.number, why: why.trim() },
          {
            onSuccess: ({ edition: holds }) => {
              showToast(t('Edition {{n}} holds now', { n: holds }))
              onClose()
            },
          },
        )
      }}
    >
      <TextArea label={t('Why? Readers see this.')} rows={3} maxLength={300} value={why} onChange={(event) => setWhy(event.target.value)} />
    </FormDialog>
  )
}
