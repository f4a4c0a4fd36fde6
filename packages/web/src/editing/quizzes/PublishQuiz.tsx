import { questionsAsked } from '@jackdaw/core/quizzes'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { usePublishQuiz } from '../../quizzes/queries'
import { Button, ButtonLink, Check, Failed, Message, showToast, TextButton, TextField } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import type { QuizDraft, QuizWriting } from './useQuizWriting'

type Props = { draft: QuizDraft; writing: QuizWriting; onShow: (id: string) => void }

/** What is to be said about a quiz, and publishing it. */
export function PublishQuiz({ draft, writing, onShow }: Props) {
  const { t } = useTexts()
  const { document, findings, unsaved, fault } = writing
  const stopped = fault !== null || findings.some(({ stops }) => stops)
  const partOf = (about: string | null) =>
    document.parts.find((part) => part.id === about || (part.part === 'question' && part.question.id === about))?.id
  return (
    <section className="space-y-3">
      <h2 className="text-lg border-b-2 border-ink">{t('Publish')}</h2>
      <p>{t('{{count}} questions, {{percent}} % to pass', { count: questionsAsked(document.parts), percent: document.passMark })}</p>
      {draft.changedBanks.length > 0 && (
        <p>
          {t('Changed since the newest edition: {{banks}}. Publish to bring the questions over.', { banks: draft.changedBanks.join(', ') })}
        </p>
      )}
      {findings.length > 0 && (
        <ul className="space-y-2">
          {findings.map((finding, n) => {
            const part = partOf(finding.about)
            return (
              <li key={n} className={`border-l-4 pl-2 ${finding.stops ? 'border-brick' : 'border-ochre'}`}>
                {part && (
                  <TextButton onClick={() => onShow(part)}>
                    {t('Question {{n}}', { n: document.parts.findIndex(({ id }) => id === part) + 1 })}:
                  </TextButton>
                )}{' '}
                {t(finding.words, finding.into)}
              </li>
            )
          })}
        </ul>
      )}
      {draft.archived ? (
        <Message tone="warn" title={t('It is in the archive.')} />
      ) : !draft.mayPublish ? (
        <p className="text-soft">{t('Somebody who may publish does this.')}</p>
      ) : !draft.changed && !unsaved ? (
        <>
          <p>{t('Edition {{n}} says what stands here.', { n: draft.edition })}</p>
          <ButtonLink to={`/items/${draft.id}/given`}>{t('Given to')}</ButtonLink>
        </>
      ) : (
        <Publishing {...{ draft, writing, stopped }} />
      )}
    </section>
  )
}

function Publishing({ draft, writing: { keep, saving }, stopped }: Omit<Props, 'onShow'> & { stopped: boolean }) {
  const { t } = useTexts()
  const go = useNavigate()
  const publish = usePublishQuiz(draft.id)
  const [changeNote, setChangeNote] = useState('')
  const [again, setAgain] = useState(false)
  const isFirst = draft.edition === null
  const send = async () => {
    const revision = await keep()
    if (revision === null) return
    const { edition } = await publish.mutateAsync({ revision, changeNote: changeNote.trim(), again })
    showToast(t('Edition {{n}} is published', { n: edition }))
    if (isFirst) void go(`/items/${draft.id}/given/new`)
  }
  const busy = publish.isPending || saving
  return (
    <>
      {isFirst ? (
        <p>{t('Then you say who gets it, and by when.')}</p>
      ) : (
        <>
          <TextField
            label={t('What has changed')}
            maxLength={500}
            value={changeNote}
            onChange={(event) => setChangeNote(event.target.value)}
          />
          <Check
            checked={again}
            onChange={(event) => setAgain(event.target.checked)}
            label={t('Whoever has passed has to take it once more')}
            hint={t('Without this, what was passed still counts.')}
          />
        </>
      )}
      {publish.isError && <Failed error={publish.error} />}
      <Button
        look="primary"
        className="min-h-10"
        disabled={busy || stopped}
        onClick={() => void send().catch(() => undefined /* What is wrong stands on the page. */)}
      >
        {publish.isPending ? t('Publishing …') : isFirst ? t('Publish and give it') : t('Publish')}
      </Button>
    </>
  )
}
