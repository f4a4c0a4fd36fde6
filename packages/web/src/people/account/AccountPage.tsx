import { Button, Failed, Loaded, showToast, TitleLine, whenOf } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useMe } from '../session'
import { PasswordForm } from './PasswordForm'
import { useEndSessions, useMySessions } from './queries'

/** One's own account: the password, and where one is signed in. */
export function AccountPage() {
  const { t } = useTexts()
  const me = useMe()
  return (
    <>
      <title>{t('Password and sessions – Jackdaw')}</title>
      <TitleLine where={{ to: `/people/${me.id}`, name: t('My page') }} title={t('Password and sessions')} />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5 space-y-8">
        <section>
          <h2 className="text-lg mb-2">{t('Password')}</h2>
          <PasswordForm onDone={() => showToast(t('Your password is changed; your other sessions have ended'))} />
        </section>
        <section className="max-w-2xl">
          <h2 className="text-lg mb-2">{t('Where you are signed in')}</h2>
          <Sessions />
        </section>
      </div>
    </>
  )
}

function Sessions() {
  const { t } = useTexts()
  const sessions = useMySessions()
  const end = useEndSessions()
  const ended = (id: string | null) =>
    end.mutate(id, { onSuccess: ({ ended: count }) => showToast(t('{{count}} sessions have ended', { count })) })
  return (
    <Loaded query={sessions}>
      {(all) => (
        <>
          <ul>
            {all.map((session) => (
              <li key={session.id} className="flex items-center gap-3 py-2 border-b border-hair">
                <span className="grow min-w-0">
                  <span className="font-semibold">{session.browser || t('A browser that does not say what it is')}</span>
                  <span className="block text-sm text-soft">
                    {session.current
                      ? t('This one')
                      : t('since {{start}}, last used {{last}}', { start: whenOf(session.startedAt), last: whenOf(session.usedAt) })}
                  </span>
                </span>
                {!session.current && (
                  <Button
                    disabled={end.isPending}
                    aria-label={t('End it: {{browser}}', { browser: session.browser })}
                    onClick={() => ended(session.id)}
                  >
                    {t('End it')}
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {end.isError && <Failed error={end.error} />}
          {all.length > 2 && (
            <Button className="mt-3" disabled={end.isPending} onClick={() => ended(null)}>
              {t('End all others')}
            </Button>
          )}
        </>
      )}
    </Loaded>
  )
}
