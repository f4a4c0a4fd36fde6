import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import type { AudienceSurveyId, LocalDate } from '@jackdaw/core/shared'
import { SurveyDocument } from '@jackdaw/core/surveys'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { AudienceFields, NOBODY_YET } from '../../assignments/AudienceFields'
import { Button, Check, DateField, Failed, showToast, TextArea, TextButton, TextField, TitleLine } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useSendSurvey } from '../../surveys/queries'
import { todayHere } from '../looking'
import { questionOf, type QuestionDraft } from '../questionDraft'
import { QuestionFields } from '../QuestionFields'

type Drafted = QuestionDraft & { id: string; needed: boolean }
const another = (): Drafted => ({ id: nanoid(12), needed: false, kind: 'stars', words: '', options: '', low: '', high: '' })
const MOST = 20

/** Writes a survey and sends it to an audience. */
export function SendSurveyPage() {
  const { t } = useTexts()
  const navigate = useNavigate()
  const send = useSendSurvey()
  const [id] = useState(() => nanoid<AudienceSurveyId>())
  const [title, setTitle] = useState('')
  const [about, setAbout] = useState('')
  const [questions, setQuestions] = useState<readonly Drafted[]>(() => [another()])
  const [audience, setAudience] = useState<AudienceChoice | null>(null)
  const [anonymous, setAnonymous] = useState(false)
  const [until, setUntil] = useState<LocalDate | null>(null)
  const { data: document } = SurveyDocument.safeParse({
    ...{ title, about },
    questions: questions.map((each) => ({ id: each.id, needed: each.needed, question: questionOf(each) })),
  })
  const ready = document !== undefined && audience !== null
  return (
    <form
      className="grow flex flex-col"
      onSubmit={(event) => {
        event.preventDefault()
        if (!ready || send.isPending) return
        send.mutate(
          { id, document, audience, anonymous, until },
          {
            onSuccess: ({ asked }) => {
              showToast(t('Sent. {{count}} people are asked.', { count: asked }))
              void navigate(`/surveys/${id}`)
            },
          },
        )
      }}
    >
      <title>{t('Ask people – Jackdaw')}</title>
      <TitleLine
        where={{ to: '/surveys', name: t('Surveys') }}
        title={t('Ask people')}
        state={t('Everybody of an audience is asked once, on Today and in their inbox. What was sent cannot be changed.')}
      >
        <Button type="submit" look="primary" disabled={!ready || send.isPending}>
          {send.isPending ? t('Sending …') : t('Send it')}
        </Button>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5 grid lg:grid-cols-2 gap-8 items-start">
        <div className="space-y-4 min-w-0">
          {send.isError && <Failed error={send.error} />}
          <TextField label={t('Title')} value={title} maxLength={200} onChange={(event) => setTitle(event.target.value)} />
          <TextArea label={t('Why you ask')} rows={2} maxLength={2_000} value={about} onChange={(event) => setAbout(event.target.value)} />
          <Questions {...{ questions }} onChange={setQuestions} />
        </div>
        <div className="space-y-5 min-w-0">
          <AudienceFields shown={NOBODY_YET} onChange={setAudience} />
          <Check
            checked={anonymous}
            onChange={(event) => setAnonymous(event.target.checked)}
            label={t('Without names')}
            hint={t('Who answered what is truly not stored. Answers are shown once there are five of them.')}
          />
          <Check
            checked={until !== null}
            onChange={(event) => setUntil(event.target.checked ? todayHere() : null)}
            label={t('It has a last day')}
          />
          {until !== null && <DateField label={t('Last day')} value={until} onChange={setUntil} />}
        </div>
      </div>
    </form>
  )
}

/** The questions, one after another, each with its fields. */
function Questions({ questions, onChange }: { questions: readonly Drafted[]; onChange: (questions: readonly Drafted[]) => void }) {
  const { t } = useTexts()
  const change = (key: string, more: Partial<Drafted>) => onChange(questions.map((each) => (each.id === key ? { ...each, ...more } : each)))
  return (
    <>
      {questions.map((each, n) => (
        <fieldset key={each.id} className="border-t border-hair pt-4 space-y-3">
          <legend className="sr-only">{t('Question {{n}}', { n: n + 1 })}</legend>
          <QuestionFields draft={each} change={(more) => change(each.id, more)} />
          <div className="flex flex-wrap gap-4 items-center">
            <Check
              checked={each.needed}
              onChange={(event) => change(each.id, { needed: event.target.checked })}
              label={t('Has to be answered')}
            />
            {questions.length > 1 && (
              <TextButton onClick={() => onChange(questions.filter(({ id: key }) => key !== each.id))}>
                {t('Leave question {{n}} out', { n: n + 1 })}
              </TextButton>
            )}
          </div>
        </fieldset>
      ))}
      {questions.length < MOST && <Button onClick={() => onChange([...questions, another()])}>{t('Another question')}</Button>}
    </>
  )
}
