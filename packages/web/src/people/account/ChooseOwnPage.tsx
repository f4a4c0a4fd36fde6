import { Button } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { leave, reloadMe } from '../session'
import { PasswordForm } from './PasswordForm'
import { Sheet } from './Sheet'

/** Whoever came in with a password that was given to them chooses one of their own before anything else. */
export function ChooseOwnPage() {
  const { t } = useTexts()
  return (
    <Sheet title={t('Choose a password of your own')}>
      <p>{t('The one that you came in with was given to you, and others may know it. As the present one, enter that.')}</p>
      <PasswordForm onDone={() => void reloadMe()} />
      <Button
        onClick={() =>
          void leave().then(() => {
            location.assign('/sign-in')
          })
        }
      >
        {t('Sign out')}
      </Button>
    </Sheet>
  )
}
