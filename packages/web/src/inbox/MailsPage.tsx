import { ENTRIES } from '@jackdaw/core/inbox'
import { keysOf } from '@jackdaw/core/shared'
import { Failed, Loaded, Message, TitleLine } from '../ui'
import { Toggle } from '../ui/fields/Toggle'
import { useTexts } from '../ui/words/texts'
import { useChooseMail, useMailChoice } from './queries'

/** What of the inbox comes as mail too. Every switch is kept at once. */
export function MailsPage() {
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
          {({ mailed, to, kinds }) => (
            <div className="max-w-2xl space-y-4">
              {mailed ? (
                <p>
                  {t(
                    'Everything comes into your inbox. What is switched on is mailed to {{to}} too, unless you have seen it here before.',
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
                    onChange={(on) => choose.mutate({ [kind]: on })}
                    label={t(ENTRIES[kind].choice)}
                  />
                ))}
              </fieldset>
              {choose.isError && <Failed error={choose.error} />}
              <p role="status" className="text-sm text-soft min-h-5">
                {choose.isPending ? t('Saving …') : choose.isSuccess ? t('Saved') : ''}
              </p>
            </div>
          )}
        </Loaded>
      </div>
    </>
  )
}
