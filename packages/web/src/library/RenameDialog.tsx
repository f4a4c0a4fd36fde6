import { GuideNaming, type GuideRow } from '@jackdaw/contracts/library'
import { TextField } from '../ui'
import { useFormOf } from '../ui/fields/useFormOf'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { useChangeGuide } from './queries'

export function RenameDialog({ guide, onClose }: { guide: GuideRow; onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeGuide(guide.id)
  const { register, sending, faultOf } = useFormOf(GuideNaming, { title: guide.title })
  return (
    <FormDialog
      title={t('Rename the guide')}
      about={guide.edition === null ? undefined : t('This renames the draft. Staff see the new title with the next edition.')}
      yes={t('Rename')}
      send={change}
      onClose={onClose}
      onSubmit={sending((body) => change.mutate(body, { onSuccess: onClose }))}
    >
      <TextField label={t('Title')} autoFocus maxLength={300} {...register('title')} error={faultOf('title')} />
    </FormDialog>
  )
}
