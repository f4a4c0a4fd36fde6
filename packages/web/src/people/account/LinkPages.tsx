import { NewPassword, type LinkKind } from '@jackdaw/contracts/account'
import { useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { Button, ButtonLink, Failed, Loaded, Message, TextField } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { enter } from '../session'
import { useChoosePassword, useLink } from './queries'
import { Sheet } from './Sheet'

/** Where an invitation leads: chooses a password, and is in. */
export function WelcomePage() {
  const { t } = useTexts()
  return <LinkPage kind="invitation" title={t('Welcome')} />
}
/** Where the mail leads that was asked for by whoever forgot their password. */
export function NewPasswordPage() {
  const { t } = useTexts()
  return <LinkPage kind="new-password" title={t('A new password')} />
}

function LinkPage({ kind, title }: { kind: LinkKind; title: string }) {
  const { t } = useTexts()
  const token = useLocation().hash.slice(1)
  const link = useLink(kind, token)
  if (token === '')
    return (
      <Sheet title={title}>
        <Message tone="warn" title={t('The link is not whole. Copy all of it from the mail.')} />
      </Sheet>
    )
  return (
    <Sheet title={title}>
      {link.isError ? (
        <>
          <Failed error={link.error} />
          <ButtonLink to="/sign-in">{t('Sign in')}</ButtonLink>
        </>
      ) : (
        <Loaded query={link}>
          {({ name, account, company }) => (
            <>
              <p>
                {kind === 'invitation'
                  ? t('{{name}}, this is Jackdaw of {{company}}: here you find how work is done. Choose a password, and you are in.', {
                      name,
                      company,
                    })
                  : t('{{name}}, choose the password with which you sign in from now on.', { name })}
              </p>
              <p className="text-soft">{t('You sign in with {{account}}.', { account })}</p>
              <Choose kind={kind} token={token} />
            </>
          )}
        </Loaded>
      )}
    </Sheet>
  )
}

function Choose({ kind, token }: { kind: LinkKind; token: string }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const choose = useChoosePassword()
  const [password, setPassword] = useState('')
  const [fault, setFault] = useState<string>()
  return (
    <form
      className="space-y-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        const checked = NewPassword.safeParse(password)
        setFault(checked.success ? undefined : checked.error.issues[0]?.message)
        if (!checked.success || choose.isPending) return
        choose.mutate(
          { kind, token, password },
          {
            onSuccess: async ({ account }) => {
              await enter({ account, password })
              await navigate('/', { replace: true })
            },
          },
        )
      }}
    >
      <TextField
        label={t('Password')}
        type="password"
        autoComplete="new-password"
        hint={t('At least 10 characters. Several words in a row are easy to keep in mind.')}
        value={password}
        error={fault && t(fault)}
        onChange={(event) => setPassword(event.target.value)}
      />
      {choose.isError && <Failed error={choose.error} />}
      <Button type="submit" look="primary" className="w-full min-h-11" disabled={choose.isPending}>
        {choose.isPending ? t('One moment …') : t('Choose it and go in')}
      </Button>
    </form>
  )
}
