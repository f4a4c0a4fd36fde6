import { MOST_AMENDING_REASON, type HowAmended, type lookAtAmendment, type Reached } from '@jackdaw/contracts/amendments'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { QuestionId, QuizId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Loaded, Message, Radios, showToast, TextArea, TextLink } from '../../ui'
import { FormDialog } from '../../ui/over/FormDialog'
import { useTexts, type Texts } from '../../ui/words/texts'
import { useAmendQuestion, useLookAtAmendment } from '../queries'
import { reachedWords } from './reachedWords'

type Looked = ResponseOf<typeof lookAtAmendment>
type Props = { quizId: QuizId; questionId: QuestionId; prompt: string; onClose: () => void }

/** Puts right a question that turned out wrong, with what that does to results before it is done. */
export function AmendDialog({ quizId, questionId, prompt, onClose }: Props) {
  const { t } = useTexts()
  const [how, setHow] = useState<HowAmended>('voided')
  const [reason, setReason] = useState('')
  const [asked, setAsked] = useState(false)
  const look = useLookAtAmendment(quizId, questionId, how)
  const amend = useAmendQuestion(quizId, questionId)
  const missing = asked && reason.trim() === ''
  return (
    <FormDialog
      title={t('Put results right')}
      about={`“${prompt}”`}
      yes={t('Put results right')}
      sending={t('Saving …')}
      send={amend}
      ready={look.data?.possible === true}
      onClose={onClose}
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (reason.trim() === '') return
        const done = () => {
          showToast(t('It is on record. Attempts are gone through now.'))
          onClose()
        }
        amend.mutate({ how, reason }, { onSuccess: done })
      }}
    >
      <Radios<HowAmended>
        label={t('What is to be done')}
        value={how}
        onChange={setHow}
        options={[
          {
            value: 'voided',
            words: t('The question does not count'),
            hint: t('Its points are taken out of every attempt, whatever was answered.'),
          },
          {
            value: 're-marked',
            words: t('Mark the answers anew'),
            hint: t('By the key that the question has now where it is written. Put the key right there first.'),
          },
        ]}
      />
      <Loaded query={look}>{(looked) => <Looked {...{ looked, quizId }} />}</Loaded>
      <TextArea
        label={t('The reason')}
        hint={t('Whoever has another result by it reads this.')}
        rows={2}
        maxLength={MOST_AMENDING_REASON}
        error={missing ? t('Say why: whoever has another result reads it') : undefined}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
    </FormDialog>
  )
}

function Looked({ looked, quizId }: { looked: Looked; quizId: QuizId }) {
  const { t } = useTexts()
  if (looked.possible) return <p aria-live="polite">{reached(t, looked.reached)}</p>
  return (
    <Message tone="warn" title={whyWords(t)[looked.why]}>
      <TextLink to={`/quizzes/${quizId}/edit`}>{t('Edit the quiz')}</TextLink>
    </Message>
  )
}

const reached = (t: Texts['t'], of: Reached): string =>
  `${t('{{count}} attempts that are over were asked this', { count: of.attempts })}: ${reachedWords(t, of)}`

type Why = Extract<Looked, { possible: false }>['why']
const whyWords = (t: Texts['t']): Record<Why, string> => ({
  gone: t('The question is not written anywhere any more. It can only be taken out of the results.'),
  judged: t('A person has judged the replies to it; no key can mark them anew.'),
  'asks-otherwise': t('It asks something else now than those who answered were asked. It can only be taken out of the results.'),
  unfinished: t('The question is not finished where it is written.'),
  'same-key': t('Its key is still the one by which it was marked. Put the key right where the question is written, then come back.'),
})
