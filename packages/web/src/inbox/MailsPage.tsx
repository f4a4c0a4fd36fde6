import { ENTRIES } from '@jackdaw/core/inbox'
import { keysOf } from '@jackdaw/core/shared'
import type { ReactNode } from 'react'
import { Failed, Loaded, Message, momentOf, TitleLine } from '../ui'
import { Toggle } from '../ui/fields/Toggle'
import { useTexts } from '../ui/words/texts'
import { useChooseMail, useMailChoice } from './queries'

/** What of the inbox comes as mail too. Every switch is kept at once. @param more what else is chosen here */
export function MailsPage({ more }: { more: ReactNode }) {
  const { t } = useTexts()
  const query = useMailChoice()
  const choose = useChooseMail()
  const asked = choose.isPending ? choose.variables : {}
  return (
    <>
      <title>{t('What comes as mail – Jackdaw')}</title>
      <TitleLine where={{ to: '/inbox', name: t('Inbox') }} title={t('What comes as mail')} />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <Loaded query={query}>
          {({ mailed, to, kinds, least, sent }) => (
            <div className="max-w-2xl space-y-4">
              {mailed ? (
                <p>
                  {t(
                    'Everything comes into your inbox. What is switched on is mailed to {{to}} too, unless you have seen it here before: all of it in one mail a day.',
                    {
                      to,
                    },
                  )}
                </p>
              ) : (
                <Message tone="warn" title={t('No mail leaves this Jackdaw')}>
                  {t(
                    'Whoever runs it has not named a mail server. Everything comes into your inbox; what you switch on counts once there is one.',
                  )}
                </Message>
              )}
              <fieldset className="space-y-1">
                <legend className="font-semibold mb-1">{t('Mail me when')}</legend>
                {keysOf(ENTRIES).map((kind) => (
                  <Toggle
                    key={kind}
                    on={asked[kind] ?? kinds[kind]}
                    disabled={least.includes(kind)}
                    onChange={(on) => choose.mutate({ [kind]: on })}
                    label={t(ENTRIES[kind].choice)}
                  />
                ))}
              </fieldset>
              {least.length > 0 && <p className="text-sm text-soft">{t('What cannot be switched off is asked for by your company.')}</p>}
              {more}
              {choose.isError && <Failed error={choose.error} />}
              <p role="status" className="text-sm text-soft min-h-5">
                {choose.isPending ? t('Saving …') : choose.isSuccess ? t('Saved') : ''}
              </p>
              {sent.length > 0 && (
                <section>
                  <h2 className="text-lg">{t('Mails that were sent to you')}</h2>
                  <ul className="border-t border-hair text-sm">
                    {sent.map((each) => (
                      <li key={each.day} className="py-1.5 border-b border-hair">
                        {momentOf(each.sentAt)} · {t('{{count}} entries', { count: each.entries })}
                      </li>
                    ))}
                  </ul>
                </section>
              )}
            </div>
          )}
        </Loaded>
      </div>
    </>
  )
}
