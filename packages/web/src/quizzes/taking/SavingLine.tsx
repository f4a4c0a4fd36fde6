import type { AskedQuestion } from '@jackdaw/core/quizzes'
import { Button, Message } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import type { FileSource } from '../ContentView'
import { AnswerTo } from './answers/AnswerTo'
import type { AnswerState } from './answerState'

/** Whether what stands there is saved; and where another window has saved another answer, the choice between the two. */
export function SavingLine({
  state,
  question,
  source,
  onChoose,
}: {
  state: AnswerState | undefined
  question: AskedQuestion
  source: FileSource
  onChoose: (which: 'mine' | 'theirs') => void
}) {
  const { t } = useTexts()
  if (state?.state === 'clash' && state.theirs)
    return (
      <Message tone="warn" role="alert" title={t('You have answered this in another window, too.')}>
        <p className="mb-2">{t('The answer above is the one of this window. In the other one you have answered:')}</p>
        <AnswerTo question={question} answer={state.theirs.answer} disabled source={source} />
        <div className="flex flex-wrap gap-2 mt-3">
          <Button className="min-h-11" onClick={() => onChoose('mine')}>
            {t('Take the one of this window')}
          </Button>
          <Button className="min-h-11" onClick={() => onChoose('theirs')}>
            {t('Take the other one')}
          </Button>
        </div>
      </Message>
    )
  if (state?.state === 'refused')
    return (
      <Message tone="bad" role="alert" title={t('This answer was not saved.')}>
        {state.why}
      </Message>
    )
  const words =
    state?.state === 'retries'
      ? t('The server cannot be reached. Your answer is kept in this browser and sent as soon as it can.')
      : state?.state === 'too-late'
        ? t('The time was over before this answer came. It does not count.')
        : state?.state === 'waits'
          ? t('Saving …')
          : state && (state.answer !== null || state.revision > 0)
            ? t('Saved')
            : ''
  return (
    <p
      role="status"
      className={`text-sm min-h-5 ${state?.state === 'retries' || state?.state === 'too-late' ? 'text-brick font-semibold' : 'text-soft'}`}
    >
      {words}
    </p>
  )
}
