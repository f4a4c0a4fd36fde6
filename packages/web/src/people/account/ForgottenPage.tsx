import { Forgotten } from '@jackdaw/contracts/account'
import { Button, ButtonLink, Failed, Message, TextField } from '../../ui'
import { useFormOf } from '../../ui/fields/useFormOf'
import { useTexts } from '../../ui/words/texts'
import { useForgotten } from './queries'
import { Sheet } from './Sheet'

/** For whoever has forgotten their password: has a link mailed. */
export function ForgottenPage() {
  const { t } = useTexts()
  const forgotten = useForgotten()
  const form = useFormOf(Forgotten, { account: '' })
  return (
    <Sheet title={t('Password forgotten')}>
      {forgotten.isSuccess ? (
        <>
          <Message tone="good" title={t('If there is an account with this mail address, a mail is on its way')}>
            {t('Its link holds for two hours. Look into the spam folder, too.')}
          </Message>
          <ButtonLink to="/sign-in">{t('Sign in')}</ButtonLink>
        </>
      ) : (
        <form className="space-y-4" noValidate onSubmit={form.sending((body) => forgotten.mutate(body))}>
          <p>{t('You get a mail with a link by which you choose a new one.')}</p>
          <TextField
            label={t('Mail address')}
            type="email"
            autoComplete="username"
            {...form.register('account')}
            error={form.faultOf('account')}
          />
          {forgotten.isError && <Failed error={forgotten.error} />}
          <div className="flex flex-wrap gap-2">
            <Button type="submit" look="primary" disabled={forgotten.isPending}>
              {forgotten.isPending ? t('One moment …') : t('Mail me a link')}
            </Button>
            <ButtonLink to="/sign-in">{t('Back')}</ButtonLink>
          </div>
          <p className="text-sm text-soft">{t('Without a mail address, ask your manager: they can give you a new password.')}</p>
        </form>
      )}
    </Sheet>
  )
}
