import type { GuideRow } from '@jackdaw/contracts/library'
import { useState } from 'react'
import { useTexts } from '../ui/words/texts'
import { Button, Failed, TextField } from '../ui'
import { Dialog } from '../ui/over/Dialog'
import { useChangeGuide } from './queries'

export function RenameDialog({ guide, onClose }: { guide: GuideRow; onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeGuide(guide.id)
  const [title, setTitle] = useState(guide.title)
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Rename the guide')}
      {...(guide.edition === null ? {} : { about: t('This renames the draft. Staff see the new title with the next edition.') })}
    >
      <form
        className="space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (!change.isPending) change.mutate({ title }, { onSuccess: onClose })
        }}
      >
        <TextField label={t('Title')} autoFocus required maxLength={300} value={title} onChange={(event) => setTitle(event.target.value)} />
        {change.isError && <Failed error={change.error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button type="submit" look="primary" disabled={change.isPending}>
            {t('Rename')}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
