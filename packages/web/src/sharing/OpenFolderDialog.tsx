import type { FolderId } from '@jackdaw/core/shared'
import { Button, Check, Failed, Loaded, Message, TextField } from '../ui'
import { Dialog } from '../ui/over/Dialog'
import { useTexts } from '../ui/words/texts'
import { useCopy } from './copyLink'
import { useFolderOpen, useOpenFolder } from './queries'

/** Opens a folder to anyone without signing in, or closes it, and says where it is. */
export function OpenFolderDialog({ folder, onClose }: { folder: { id: FolderId; name: string }; onClose: () => void }) {
  const { t } = useTexts()
  const query = useFolderOpen(folder.id)
  const change = useOpenFolder(folder.id)
  const copy = useCopy()
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Open “{{name}}” to everybody', { name: folder.name })}
      about={t(
        'Whoever knows its address finds the published guides in it, and in the folders below it, by their titles, and reads them without signing in. No names of people are shown.',
      )}
    >
      <Loaded query={query}>
        {({ anyone, address }) => (
          <div className="space-y-4">
            {!anyone && (
              <Message tone="warn" title={t('The company does not allow links for guests')}>
                {t('An admin can allow them on the page “Guests” in the menu of their name.')}
              </Message>
            )}
            {change.isError && <Failed error={change.error} />}
            <Check
              checked={address !== null}
              disabled={change.isPending || (!anyone && address === null)}
              onChange={(event) => change.mutate(event.target.checked)}
              label={t('Open to everybody')}
              hint={t('Guides that come into the folder later are open, too; those that leave it are not any more.')}
            />
            {address !== null && (
              <div className="flex items-end gap-2">
                <div className="grow">
                  <TextField label={t('Address')} readOnly value={address} onFocus={(event) => event.target.select()} />
                </div>
                <Button look="primary" className="min-h-10" onClick={() => void copy(address, t('The address is copied.'))}>
                  {t('Copy')}
                </Button>
              </div>
            )}
          </div>
        )}
      </Loaded>
      <div className="flex justify-end mt-5">
        <Button onClick={onClose}>{t('Close')}</Button>
      </div>
    </Dialog>
  )
}
