import { ENTRIES } from '@jackdaw/core/inbox'
import { useLocation } from 'react-router'
import { Button, ButtonLink, Failed, Message } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useStopMails } from './queries'

/** Where the link at the end of a mail leads: ends mails of its kind, without signing in. */
export function StopMailsPage() {
  const { t } = useTexts()
  const token = useLocation().hash.slice(1)
  const stop = useStopMails()
  return (
    <main className="min-h-dvh flex flex-col items-center px-4 py-10 sm:py-16">
      <title>{t('No more mails – Jackdaw')}</title>
      <div className="bg-sheet w-full max-w-xl p-6 sm:p-10 space-y-5">
        <p className="flex items-center gap-2">
          <img src="/jackdaw.svg" alt="" width={28} height={28} />
          <span className="font-serif text-lg font-semibold">Jackdaw</span>
        </p>
        <h1 className="font-serif text-2xl">{t('No more of these mails')}</h1>
        {stop.isSuccess ? (
          <Message tone="good" title={t('You will get no more of these mails')}>
            {stop.data.kind === 'all'
              ? t('What your company asks for in any case is still mailed. All else comes into your inbox only.')
              : t('They were about this: {{what}}. It still comes into your inbox.', { what: t(ENTRIES[stop.data.kind].choice) })}
          </Message>
        ) : (
          <>
            <p>{t('What the mail was about still comes into your inbox in Jackdaw; it is only not mailed any more.')}</p>
            {stop.isError && <Failed error={stop.error} />}
            {token === '' ? (
              <Message tone="warn" title={t('The link is not whole. Copy all of it from the mail.')} />
            ) : (
              <Button look="primary" className="min-h-11" disabled={stop.isPending} onClick={() => stop.mutate(token)}>
                {stop.isPending ? t('Ending them …') : t('End these mails')}
              </Button>
            )}
          </>
        )}
        <p>
          <ButtonLink to="/inbox/mails">{t('Choose what comes as mail')}</ButtonLink>
        </p>
      </div>
    </main>
  )
}
