import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import type { AskedQuestion } from '@jackdaw/core/quizzes'
import { Failed, Message } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { ContentView } from '../ContentView'
import { AnswerTo } from './answers/AnswerTo'
import { RepliesTo } from './replies/repliesHere'
import { SavingLine } from './SavingLine'
import { sourceOf, type Taking } from './useTaking'

/** The question in sight. */
export function Asked({
  attempt,
  taking: { at, answers, session, replies, handIn, unsaved, heading },
  here,
}: {
  attempt: QuizAttempt
  taking: Taking
  here: AskedQuestion
}) {
  const { t } = useTexts()
  const state = answers.get(here.id)
  return (
    <div className="max-w-[720px] space-y-6">
      <h2 ref={heading} tabIndex={-1} className="sr-only">
        {t('Question {{n}}', { n: at + 1 })}
      </h2>
      <ContentView content={here.prompt} source={sourceOf(attempt)} className="text-lg" />
      <RepliesTo value={replies}>
        <AnswerTo
          question={here}
          answer={state?.answer ?? null}
          disabled={handIn.isPending || state?.state === 'clash'}
          source={sourceOf(attempt)}
          onAnswer={(given, atOnce) => session.answer(here.id, given, atOnce)}
        />
      </RepliesTo>
      <SavingLine state={state} question={here} source={sourceOf(attempt)} onChoose={(which) => session.choose(here.id, which)} />
      {unsaved === 'replies' && (
        <Message tone="warn" role="alert" title={t('Not handed in: a recorded reply is still on its way.')}>
          {t('Hand it in once it has come, or leave the reply.')}
        </Message>
      )}
      {unsaved === 'answers' && (
        <Message tone="bad" role="alert" title={t('Not handed in: some answers are not saved yet.')}>
          {t('They are kept in this browser and sent as soon as the server can be reached. Then hand it in.')}
        </Message>
      )}
      {handIn.isError && <Failed error={handIn.error} />}
    </div>
  )
}
