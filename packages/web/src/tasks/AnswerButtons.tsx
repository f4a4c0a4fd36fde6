import type { HandInId } from '@jackdaw/core/shared'
import { MOST_REASON } from '@jackdaw/core/tasks'
import { useState } from 'react'
import { Button, Failed, showToast, TextArea } from '../ui'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { useAnswer } from './queries'

/** Confirms what somebody has handed in, or sends it back with a reason. @param name whose it is */
export function AnswerButtons({ id, name, title }: { id: HandInId; name: string; title: string }) {
  const { t } = useTexts()
  const [sendsBack, setSendsBack] = useState(false)
  const answer = useAnswer(id)
  return (
    <div className="space-y-2">
      {answer.isError && !sendsBack && <Failed error={answer.error} />}
      <div className="flex flex-wrap gap-2">
        <Button
          look="primary"
          className="min-h-11"
          disabled={answer.isPending}
          aria-label={t('Confirm: {{name}}, {{title}}', { name, title })}
          onClick={() =>
            answer.mutate({ answer: 'confirmed' }, { onSuccess: () => showToast(t('Confirmed. {{name}} is told.', { name })) })
          }
        >
          {answer.isPending ? t('Saving …') : t('Confirm')}
        </Button>
        <Button
          className="min-h-11"
          disabled={answer.isPending}
          aria-label={`${t('Send it back …')} ${name}, ${title}`}
          onClick={() => setSendsBack(true)}
        >
          {t('Send it back …')}
        </Button>
      </div>
      {sendsBack && <SendBack {...{ id, name, title }} onClose={() => setSendsBack(false)} />}
    </div>
  )
}

function SendBack({ id, name, title, onClose }: { id: HandInId; name: string; title: string; onClose: () => void }) {
  const { t } = useTexts()
  const [reason, setReason] = useState('')
  const [asked, setAsked] = useState(false)
  const answer = useAnswer(id)
  return (
    <FormDialog
      title={t('Send “{{title}}” back?', { title })}
      about={t('{{name}} reads your reason and can hand it in once more.', { name })}
      yes={t('Send it back')}
      sending={t('Saving …')}
      send={answer}
      onClose={onClose}
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (reason.trim() === '') return
        answer.mutate(
          { answer: 'sent-back', reason },
          {
            onSuccess: () => {
              showToast(t('Sent back. {{name}} is told.', { name }))
              onClose()
            },
          },
        )
      }}
    >
      <TextArea
        label={t('Why it comes back')}
        rows={3}
        maxLength={MOST_REASON}
        value={reason}
        error={asked && reason.trim() === '' ? t('Say why it comes back') : undefined}
        onChange={(event) => setReason(event.target.value)}
      />
    </FormDialog>
  )
}
