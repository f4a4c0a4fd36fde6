import type { Invitation } from '@jackdaw/contracts/account'
import type { PersonShown } from '@jackdaw/contracts/directory'
import { useState } from 'react'
import { Button, Failed, Loaded, Message, momentOf, showToast } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { FormDialog } from '../../ui/over/FormDialog'
import { Question } from '../../ui/over/Question'
import { useTexts } from '../../ui/words/texts'
import { InvitationTimeField, timeOf, type ChosenTime } from './InvitationTimeField'
import { useGivePassword, useInvitation, useInvite, useWithdraw } from './queries'

/** How somebody comes in: by an invitation to their mail address, or with a password that is given to them. */
export function InvitationPart({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const invitation = useInvitation(person.id, person.mayInvite)
  return (
    <section>
      <h2 className="text-lg border-b-2 border-ink mb-2">{t('How they sign in')}</h2>
      {person.mayInvite && person.managed?.mail && (
        <Loaded query={invitation}>
          {({ invitation: sent, mailed }) => (
            <Invited person={person} sent={sent} mailed={mailed} hasPassword={person.managed?.hasPassword ?? false} />
          )}
        </Loaded>
      )}
      {person.mayGivePassword && <GiveButton person={person} />}
    </section>
  )
}

/** How an invitation stands, in words. */
function useStanding(sent: Invitation | null, hasPassword: boolean): string {
  const { t } = useTexts()
  if (hasPassword) return t('They have chosen a password.')
  if (!sent) return t('Not invited yet.')
  if (sent.withdrawnAt !== null) return t('The invitation was withdrawn.')
  if (sent.sentAt !== null)
    return t('Invited by {{by}} on {{when}}; the link holds for 14 days.', { by: sent.by.name, when: momentOf(sent.sentAt) })
  if (sent.sendAt !== null && sent.sendAt <= Date.now()) return t('The invitation is leaving …')
  if (sent.sendAt !== null) return t('The invitation leaves on {{when}}.', { when: momentOf(sent.sendAt) })
  return t('Prepared by {{by}}; the invitation does not leave yet.', { by: sent.by.name })
}

function Invited({
  person,
  sent,
  mailed,
  hasPassword,
}: {
  person: PersonShown
  sent: Invitation | null
  mailed: boolean
  hasPassword: boolean
}) {
  const { t } = useTexts()
  const [open, setOpen] = useState(false)
  const withdraw = useWithdraw(person.id)
  const standing = useStanding(sent, hasPassword)
  const waits = sent !== null && sent.withdrawnAt === null && !hasPassword
  return (
    <div className="space-y-2 mb-3">
      <p className="text-sm">{standing}</p>
      {!mailed && !hasPassword && <Message tone="warn" title={t('No mail leaves this server: give them a password instead.')} />}
      {!hasPassword && (
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => setOpen(true)}>{waits ? t('Send again, or another day') : t('Invite them')}</Button>
          {waits && (
            <Button
              look="quiet"
              disabled={withdraw.isPending}
              onClick={() => withdraw.mutate(undefined, { onSuccess: () => showToast(t('The invitation is withdrawn')) })}
            >
              {t('Withdraw it')}
            </Button>
          )}
        </div>
      )}
      {withdraw.isError && <Failed error={withdraw.error} />}
      {open && <InviteDialog person={person} onClose={() => setOpen(false)} />}
    </div>
  )
}

function InviteDialog({ person, onClose }: { person: PersonShown; onClose: () => void }) {
  const { t } = useTexts()
  const invite = useInvite(person.id)
  const [chosen, setChosen] = useState<ChosenTime>({ when: 'now', day: '' })
  return (
    <FormDialog
      title={t('Invite {{name}}', { name: person.name })}
      about={t('They get a mail with a link by which they choose a password. A link that was sent before ends.')}
      yes={chosen.when === 'now' ? t('Send the invitation') : t('Save')}
      send={invite}
      onSubmit={(event) => {
        event.preventDefault()
        const time = timeOf(chosen)
        if (time !== null) invite.mutate(time, { onSuccess: onClose })
      }}
      onClose={onClose}
    >
      <InvitationTimeField value={chosen} onChange={setChosen} />
    </FormDialog>
  )
}

/** Gives somebody a password for their next sign-in, which is told once. */
function GiveButton({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const give = useGivePassword(person.id)
  const [asked, setAsked] = useState(false)
  return (
    <>
      <Button onClick={() => setAsked(true)}>{t('Give them a new password')}</Button>
      {asked && !give.data && (
        <Question
          title={t('Give {{name}} a new password?', { name: person.name })}
          about={t('The one that they have now ends, and so do their sessions. With the new one they come in once and choose their own.')}
          yes={t('Give it')}
          pending={give.isPending}
          error={give.error}
          onYes={() => give.mutate()}
          onNo={() => setAsked(false)}
        />
      )}
      {asked && give.data && (
        <Dialog
          open
          title={t('Tell it to {{name}}', { name: person.name })}
          about={t('It is shown only now. They sign in with it once and then choose their own.')}
          onClose={() => {
            setAsked(false)
            give.reset()
          }}
        >
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2 text-lg">
            <dt className="text-soft">{t('Sign in with')}</dt>
            <dd className="font-mono">{give.data.account}</dd>
            <dt className="text-soft">{t('Password')}</dt>
            <dd className="font-mono" data-given-password>
              {give.data.password}
            </dd>
          </dl>
        </Dialog>
      )}
    </>
  )
}
