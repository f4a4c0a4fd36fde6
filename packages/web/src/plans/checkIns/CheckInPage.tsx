import type { getCheckIn } from '@jackdaw/contracts/checkIns'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { APART, CHECK_IN_LIMITS, compare, unanswered, type Answer } from '@jackdaw/core/plans'
import type { CheckInId, QuestionId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, dayOf, Failed, Loaded, Message, momentOf, showToast, TextArea, TitleLine } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useWarnUnsaved } from '../../ui/useWarnUnsaved'
import { useTexts } from '../../ui/words/texts'
import { MarkField, TwoMarks } from './Marks'
import { aboutWords } from './MyCheckIns'
import { useAnswerCheckIn, useCheckIn } from './queries'

type CheckIn = ResponseOf<typeof getCheckIn>

/** A check-in: its questions to be answered, then one's own answers, then both side by side. */
export function CheckInPage() {
  const { id } = useIds<{ id: CheckInId }>()
  return <Loaded query={useCheckIn(id)}>{(checkIn) => <Shown key={`${checkIn.id} ${checkIn.state}`} checkIn={checkIn} />}</Loaded>
}

function Shown({ checkIn }: { checkIn: CheckIn }) {
  const { t } = useTexts()
  const [changes, setChanges] = useState(false)
  const { name, plan, askedOn, state, other, mine, theirs } = checkIn
  const writes = state === 'waits-for-me' || (changes && state === 'waits-for-other')
  return (
    <>
      <title>{`${name} – ${t('Check-ins')} – Jackdaw`}</title>
      <TitleLine
        where={{ to: '/check-ins', name: t('Check-ins') }}
        title={`${name}, ${aboutWords(t, checkIn)}`}
        state={`${plan} · ${t('asked on {{day}}', { day: dayOf(askedOn) })}`}
      />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-4xl space-y-6">
          {writes ? (
            <Answering checkIn={checkIn} onDone={() => setChanges(false)} />
          ) : state === 'both' && mine && theirs ? (
            <SideBySide {...{ checkIn }} mine={mine.answers} theirs={theirs.answers} />
          ) : (
            <>
              <Message
                tone={state === 'closed' ? 'note' : 'good'}
                title={state === 'closed' ? t('It is not asked any more') : t('You have answered')}
              >
                {state === 'closed'
                  ? t('The plan has ended. What you have answered stands here for you alone.')
                  : other
                    ? t('{{name}} has not answered yet. You see both side by side as soon as that is so.', { name: other.name })
                    : t('Nobody answers beside you yet. You see both side by side as soon as somebody has.')}
              </Message>
              {mine && <Mine {...{ checkIn }} answers={mine.answers} at={mine.at} />}
              {state === 'waits-for-other' && <Button onClick={() => setChanges(true)}>{t('Change your answers')}</Button>}
            </>
          )}
        </div>
      </div>
    </>
  )
}

const empty = (question: QuestionId): Answer => ({ question, words: '', mark: null })

/** The questions with fields for one's own answers. */
function Answering({ checkIn: { id, questions, other, mine }, onDone }: { checkIn: CheckIn; onDone: () => void }) {
  const { t } = useTexts()
  const [answers, setAnswers] = useState<readonly Answer[]>(() => mine?.answers ?? questions.map((question) => empty(question.id)))
  const [asked, setAsked] = useState(false)
  const send = useAnswerCheckIn(id)
  const written = answers.some(({ words, mark }) => words !== '' || mark !== null)
  useWarnUnsaved(written && !send.isSuccess)
  const trimmed = answers.map((each) => ({ ...each, words: each.words.trim() }))
  const missing = new Set(asked ? unanswered(questions, trimmed).map((question) => question.id) : [])
  const set = (question: QuestionId, more: Partial<Answer>) =>
    setAnswers(answers.map((each) => (each.question === question ? { ...each, ...more } : each)))
  return (
    <form
      noValidate
      className="space-y-6"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (unanswered(questions, trimmed).length > 0 || send.isPending) return
        send.mutate(trimmed, {
          onSuccess: ({ both }) => {
            showToast(both ? t('Sent. Both have answered.') : t('Sent.'))
            onDone()
          },
        })
      }}
    >
      <p className="text-soft">
        {other
          ? t(
              '{{name}} answers the same questions. Neither sees what the other has answered before both have; nobody else sees it at all.',
              {
                name: other.name,
              },
            )
          : t(
              'Somebody else answers the same questions. Neither sees what the other has answered before both have; nobody else sees it at all.',
            )}
      </p>
      {questions.map(({ id: question, words, answer }) => {
        const given = answers.find((each) => each.question === question) ?? empty(question)
        return answer === 'scale' ? (
          <MarkField
            key={question}
            label={words}
            value={given.mark}
            error={missing.has(question) ? t('Choose a mark') : undefined}
            onChange={(mark) => set(question, { mark })}
          />
        ) : (
          <TextArea
            key={question}
            label={<span className="text-base">{words}</span>}
            rows={3}
            maxLength={CHECK_IN_LIMITS.answer}
            value={given.words}
            error={missing.has(question) ? t('Answer it; a dash will do where you have nothing to say') : undefined}
            onChange={(event) => set(question, { words: event.target.value })}
          />
        )
      })}
      {missing.size > 0 && <Message tone="bad" role="alert" title={t('{{count}} answers are missing', { count: missing.size })} />}
      {send.isError && <Failed error={send.error} />}
      <div className="flex flex-wrap gap-2">
        <Button look="primary" type="submit" className="min-h-11 grow sm:grow-0" disabled={send.isPending}>
          {send.isPending ? t('Sending …') : t('Send your answers')}
        </Button>
        {mine && (
          <Button className="min-h-11" onClick={onDone}>
            {t('Leave them as they are')}
          </Button>
        )}
      </div>
    </form>
  )
}

/** One's own answers, as long as the other has not answered. */
function Mine({ checkIn: { questions }, answers, at }: { checkIn: CheckIn; answers: readonly Answer[]; at: number }) {
  const { t } = useTexts()
  return (
    <section aria-label={t('Your answers')}>
      <h2 className="text-lg">{t('Your answers')}</h2>
      <p className="text-sm text-soft mb-1">{momentOf(at)}</p>
      <dl className="border-t border-hair">
        {questions.map(({ id, words }) => (
          <div key={id} className="border-b border-hair py-2.5">
            <dt className="font-semibold">{words}</dt>
            <dd>
              <Said answer={answers.find(({ question }) => question === id) ?? empty(id)} />
            </dd>
          </div>
        ))}
      </dl>
    </section>
  )
}

function Said({ answer: { words, mark } }: { answer: Answer }) {
  const { t } = useTexts()
  return mark === null ? (
    <p className="font-serif whitespace-pre-line [overflow-wrap:anywhere]">{words}</p>
  ) : (
    <p>{t('{{mark}} of 5', { mark })}</p>
  )
}

/** What both have answered, question by question. */
function SideBySide({ checkIn: { side, questions, person, other }, mine, theirs }: { checkIn: CheckIn; mine: Answer[]; theirs: Answer[] }) {
  const { t } = useTexts()
  const [persons, managers] = side === 'person' ? [mine, theirs] : [theirs, mine]
  const names = side === 'person' ? { person: t('You'), manager: other?.name ?? '' } : { person: person.name, manager: t('You') }
  const rows = compare(questions, persons, managers)
  const apart = rows.filter((row) => row.apart >= APART).length
  return (
    <section aria-label={t('Both answers')} className="space-y-1">
      <p className="text-soft">
        {apart > 0
          ? t('{{count}} answers lie far apart. Begin with those when you talk.', { count: apart })
          : t('Both have answered. Take the answers along when you talk.')}
      </p>
      <ol className="border-t-2 border-ink">
        {rows.map(({ question, person: one, manager: two, apart: marks }) => (
          <li key={question.id} className="border-b border-hair py-4">
            <h2 className="font-semibold">{question.words}</h2>
            {marks >= APART && (
              <p className="text-brick text-sm font-semibold">
                <span aria-hidden>▲ </span>
                {t('{{count}} marks apart', { count: marks })}
              </p>
            )}
            {one.mark !== null && two.mark !== null ? (
              <TwoMarks above={{ name: names.person, mark: one.mark }} below={{ name: names.manager, mark: two.mark }} />
            ) : (
              <dl className="grid sm:grid-cols-2 gap-x-8 gap-y-3 mt-1">
                {(
                  [
                    ['person', one],
                    ['manager', two],
                  ] as const
                ).map(([of, answer]) => (
                  <div key={of} className="border-l-2 border-edge pl-3">
                    <dt className="text-sm text-soft">{names[of]}</dt>
                    <dd>
                      <Said answer={answer} />
                    </dd>
                  </div>
                ))}
              </dl>
            )}
          </li>
        ))}
      </ol>
    </section>
  )
}
