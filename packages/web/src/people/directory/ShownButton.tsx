import type { DirectorySettings } from '@jackdaw/contracts/directory'
import { useState } from 'react'
import { Button, Check, Loaded, showToast } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { FormDialog } from '../../ui/over/FormDialog'
import { useTexts } from '../../ui/words/texts'
import { useDirectorySettings, useSaveDirectorySettings } from './queries'

/** What the company shows everybody of its people. */
export function ShownButton() {
  const { t } = useTexts()
  const [open, setOpen] = useState(false)
  const settings = useDirectorySettings()
  return (
    <>
      <Button onClick={() => setOpen(true)}>{t('What is shown')}</Button>
      {open &&
        (settings.data ? (
          <Shown begun={settings.data} onClose={() => setOpen(false)} />
        ) : (
          <Dialog open title={t('What is shown')} onClose={() => setOpen(false)}>
            <Loaded query={settings}>{() => null}</Loaded>
          </Dialog>
        ))}
    </>
  )
}

function Shown({ begun, onClose }: { begun: DirectorySettings; onClose: () => void }) {
  const { t } = useTexts()
  const [shown, setShown] = useState(begun)
  const save = useSaveDirectorySettings()
  return (
    <FormDialog
      title={t('What is shown')}
      about={t('What everybody who works here sees of the others. Name, job title, groups and manager are always shown.')}
      yes={t('Save')}
      send={save}
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate(shown, {
          onSuccess: () => {
            showToast(t('The directory shows what you chose'))
            onClose()
          },
        })
      }}
      onClose={onClose}
    >
      <Check
        label={t('Telephone numbers')}
        checked={shown.telephone}
        onChange={(event) => setShown({ ...shown, telephone: event.target.checked })}
      />
      <Check label={t('Mail addresses')} checked={shown.mail} onChange={(event) => setShown({ ...shown, mail: event.target.checked })} />
    </FormDialog>
  )
}
