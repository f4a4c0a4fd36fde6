import type { FormEvent, ReactNode } from 'react'
import { Button } from '../Button'
import { Failed } from '../Waiting'
import { useTexts } from '../words/texts'
import { Dialog } from './Dialog'

/** A dialog with a form to be filled in and sent. @param send what runs while it is sent, and what came of it */
export function FormDialog({
  title,
  about,
  yes,
  sending,
  send,
  ready = true,
  children,
  onSubmit,
  onClose,
}: {
  title: string
  about?: string | undefined
  /** What is done, as a verb: the words of the button. */
  yes: string
  /** What it says while that is under way. */
  sending?: string
  send: { isPending: boolean; isError: boolean; error: unknown }
  /** Whether all is there that the form asks about: before that it cannot be sent. */
  ready?: boolean
  children: ReactNode
  onSubmit: (event: FormEvent<HTMLFormElement>) => void
  onClose: () => void
}) {
  const { t } = useTexts()
  return (
    <Dialog open onClose={onClose} title={title} {...(about ? { about } : {})}>
      <form
        className="space-y-4"
        noValidate
        onSubmit={(event) => {
          // A form of the page from which the dialog was opened is another one.
          event.stopPropagation()
          if (send.isPending || !ready) event.preventDefault()
          else onSubmit(event)
        }}
      >
        {children}
        {send.isError && <Failed error={send.error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button type="submit" look="primary" disabled={send.isPending || !ready}>
            {send.isPending && sending ? sending : yes}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
