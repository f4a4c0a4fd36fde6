import { PasswordChange } from '@jackdaw/contracts/account'
import { Button, Failed, TextField } from '../../ui'
import { useFormOf } from '../../ui/fields/useFormOf'
import { useTexts } from '../../ui/words/texts'
import { useChangePassword } from './queries'

/** Changes one's own password. @param onDone after it was changed */
export function PasswordForm({ onDone }: { onDone: () => void }) {
  const { t } = useTexts()
  const change = useChangePassword()
  const form = useFormOf(PasswordChange, { current: '', next: '' })
  return (
    <form
      className="space-y-4 max-w-sm"
      noValidate
      onSubmit={form.sending((body) =>
        change.mutate(body, {
          onSuccess: () => {
            form.reset()
            onDone()
          },
        }),
      )}
    >
      <TextField
        label={t('Present password')}
        type="password"
        autoComplete="current-password"
        {...form.register('current')}
        error={form.faultOf('current')}
      />
      <TextField
        label={t('New password')}
        type="password"
        autoComplete="new-password"
        hint={t('At least 10 characters. Several words in a row are easy to keep in mind.')}
        {...form.register('next')}
        error={form.faultOf('next')}
      />
      {change.isError && <Failed error={change.error} />}
      <Button type="submit" look="primary" disabled={change.isPending}>
        {change.isPending ? t('One moment …') : t('Change the password')}
      </Button>
    </form>
  )
}
