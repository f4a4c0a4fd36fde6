import type { AskedQuestion } from '@jackdaw/contracts/surveys'
import type { GuideId } from '@jackdaw/core/shared'
import { isAnswerTo } from '@jackdaw/core/surveys'
import { useState } from 'react'
import { Button, Failed, TextArea } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useAnswer } from './queries'
import { Values } from './Values'

/** A question with the ways to answer it. @param onDone told once it was answered, or that it is left */
export function AnswerForm({ guideId, asked, onDone }: { guideId: GuideId; asked: AskedQuestion; onDone: (answered: boolean) => void }) {
  const { t } = useTexts()
  const { question, anonymous } = asked
  const [value, setValue] = useState<number | null>(null)
  const [comment, setComment] = useState('')
  const send = useAnswer(guideId, asked.id)
  const answer = { value, comment: comment.trim() }
  return (
    <form
      className="space-y-3"
      aria-label={question.words}
      // Keys that turn steps belong to the answer here.
      onKeyDown={(event) => event.stopPropagation()}
      onSubmit={(event) => {
        event.preventDefault()
        if (!send.isPending) send.mutate(answer, { onSuccess: () => onDone(true) })
      }}
    >
      <Values {...{ question, value }} onChange={setValue} />
      <TextArea
        label={question.kind === 'words' ? t('Your answer') : t('Anything to add')}
        rows={2}
        maxLength={2_000}
        value={comment}
        onChange={(event) => setComment(event.target.value)}
      />
      <p className="text-sm text-soft">
        {anonymous ? t('Who answers is not stored.') : t('Your name stands beside your answer.')} {t('You may also leave it.')}
      </p>
      {send.isError && <Failed error={send.error} />}
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="primary" className="min-h-11" disabled={send.isPending || !isAnswerTo(question, answer)}>
          {send.isPending ? t('Sending …') : t('Send the answer')}
        </Button>
        <Button className="min-h-11" onClick={() => onDone(false)}>
          {t('Leave it')}
        </Button>
      </div>
    </form>
  )
}
