import type { AskedSurvey } from '@jackdaw/contracts/audienceSurveys'
import type { AudienceSurveyId } from '@jackdaw/core/shared'
import { faultOfAnswers, isAnswerTo, type SurveyAnswer, type SurveyAnswers } from '@jackdaw/core/surveys'
import { useState } from 'react'
import { Button, dayAndYearOf, Failed, Loaded, TextArea, TextLink, TitleLine } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { useAnswerSurvey, useAskedSurveys } from './queries'
import { Values } from './Values'

/** A survey, to be answered once. */
export function AskedPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: AudienceSurveyId }>()
  const query = useAskedSurveys()
  const [isSent, setSent] = useState(false)
  return (
    <Loaded query={query}>
      {(all) => {
        const asked = all.find((each) => each.id === id)
        if (asked && !isSent) return <AnswerAll asked={asked} onSent={() => setSent(true)} />
        return (
          <div className="w-full max-w-2xl mx-auto px-4 py-6">
            <title>{t('Asked – Jackdaw')}</title>
            <h1 className="text-2xl">
              {isSent ? t('Thank you, your answers are there.') : t('This is not asked any more, or you have answered it.')}
            </h1>
            <p className="pt-3">
              <TextLink to="/">{t('Go to Today')}</TextLink>
            </p>
          </div>
        )
      }}
    </Loaded>
  )
}

const NOTHING: SurveyAnswer = { value: null, comment: '' }
function AnswerAll({ asked: { id, document, anonymous, until, by }, onSent }: { asked: AskedSurvey; onSent: () => void }) {
  const { t } = useTexts()
  const send = useAnswerSurvey()
  const [given, setGiven] = useState<Readonly<Record<string, SurveyAnswer>>>({})
  const answerTo = (key: string) => given[key] ?? NOTHING
  const change = (key: string, more: Partial<SurveyAnswer>) =>
    setGiven((before) => ({ ...before, [key]: { ...(before[key] ?? NOTHING), ...more } }))
  const answers: SurveyAnswers = document.questions.flatMap(({ id: key, question }) => {
    const answer = { ...answerTo(key), comment: answerTo(key).comment.trim() }
    return isAnswerTo(question, answer) ? [{ id: key, answer }] : []
  })
  const isWhole = faultOfAnswers(document, answers) === null && answers.length > 0
  return (
    <form
      className="grow flex flex-col"
      onSubmit={(event) => {
        event.preventDefault()
        if (isWhole && !send.isPending) send.mutate({ surveyId: id, answers }, { onSuccess: onSent })
      }}
    >
      <title>{t('{{title}} – Jackdaw', { title: document.title })}</title>
      <TitleLine title={document.title} state={t('{{name}} asks you', { name: by })} />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-2xl space-y-8">
          <div className="space-y-1">
            {document.about && <p className="whitespace-pre-line">{document.about}</p>}
            <p className="text-sm text-soft">
              {anonymous ? t('Who answers what is not stored; that you have answered is.') : t('Your name stands beside your answers.')}{' '}
              {t('It can be answered once.')} {until && t('Until {{day}}.', { day: dayAndYearOf(until) })}
            </p>
          </div>
          {document.questions.map(({ id: key, question, needed }) => (
            <section key={key} className="space-y-3">
              <Values {...{ question }} value={answerTo(key).value} onChange={(value) => change(key, { value })} />
              <TextArea
                label={question.kind === 'words' ? t('Your answer') : t('Anything to add')}
                rows={2}
                maxLength={2_000}
                value={answerTo(key).comment}
                hint={needed ? t('This one has to be answered.') : undefined}
                onChange={(event) => change(key, { comment: event.target.value })}
              />
            </section>
          ))}
          {send.isError && <Failed error={send.error} />}
          <Button type="submit" look="primary" className="min-h-11 w-full sm:w-auto" disabled={!isWhole || send.isPending}>
            {send.isPending ? t('Sending …') : t('Send the answers')}
          </Button>
        </div>
      </div>
    </form>
  )
}
