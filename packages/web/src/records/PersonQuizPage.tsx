import type { listQuizAttempts } from '@jackdaw/contracts/attempts'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { PersonId, QuizId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { WhyGiven } from '../assignments'
import { useMe } from '../people'
import { AttemptRows } from '../quizzes/AttemptRows'
import { useAllowMore, useQuizAttempts } from '../quizzes/queries'
import { Button, ButtonLink, Failed, Loaded, Message, NumberField, showToast, StateMark, TitleLine } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { usePersonRecords } from './queries'

/** One person and one quiz: every attempt, and what they have been granted. */
export function PersonQuizPage() {
  const { t } = useTexts()
  const { id, quizId } = useIds<{ id: PersonId; quizId: QuizId }>()
  const me = useMe()
  const attempts = useQuizAttempts(id, quizId)
  return (
    <Loaded query={usePersonRecords(id)}>
      {({ person, rows }) => {
        const record = rows.find(({ item }) => item.kind === 'quiz' && item.id === quizId)
        return (
          <Loaded query={attempts}>
            {(known) => (
              <>
                <title>{`${person.name}: ${known.title} – Jackdaw`}</title>
                <TitleLine
                  where={{ to: `/records/people/${id}`, name: person.name }}
                  title={known.title}
                  state={
                    <>
                      {record && `${t('Quiz {{n}}', { n: record.number })}, ${t('edition {{n}}', { n: record.edition })} · `}
                      {person.department}, {person.site}
                    </>
                  }
                >
                  <ButtonLink to={`/quizzes/${quizId}`}>{t('Open the quiz')}</ButtonLink>
                </TitleLine>
                <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-4 space-y-6">
                  {record ? (
                    <StateMark state={record.state} dueOn={record.dueOn} />
                  ) : (
                    <Message tone="warn" title={t('This person has not been given the quiz.')} />
                  )}
                  {known.attempts.length === 0 ? (
                    <p className="text-soft">{t('No attempt has been made yet.')}</p>
                  ) : (
                    <AttemptRows
                      attempts={known.attempts}
                      leadsTo={(attempt) => (id === me.id ? `/quiz-attempts/${attempt}` : `/records/attempts/${attempt}`)}
                    />
                  )}
                  {known.mayAllow && (known.limited || known.timed) && (
                    <Allowing key={JSON.stringify(known.allowance)} {...{ id, quizId, known }} name={person.name} />
                  )}
                  {record && <WhyGiven personId={id} itemId={quizId} />}
                </div>
              </>
            )}
          </Loaded>
        )
      }}
    </Loaded>
  )
}

/** Grants somebody more time or attempts. */
function Allowing({ id, quizId, known, name }: { id: PersonId; quizId: QuizId; known: ResponseOf<typeof listQuizAttempts>; name: string }) {
  const { t } = useTexts()
  const [allowance, setAllowance] = useState(known.allowance)
  const save = useAllowMore(id, quizId)
  return (
    <form
      className="space-y-3 max-w-xl"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (!save.isPending) save.mutate(allowance, { onSuccess: () => showToast(t('Saved')) })
      }}
    >
      <h2 className="text-lg border-b-2 border-ink">{t('Granted to {{name}}', { name })}</h2>
      <div className="flex flex-wrap gap-4 items-end">
        {known.timed && (
          <div className="w-44">
            <NumberField
              label={t('More time')}
              unit="%"
              whole
              min={0}
              max={400}
              value={allowance.extraPercent}
              onChange={(extraPercent) => setAllowance({ ...allowance, extraPercent })}
            />
          </div>
        )}
        {known.limited && (
          <div className="w-44">
            <NumberField
              label={t('More attempts')}
              whole
              min={0}
              max={50}
              value={allowance.extraAttempts}
              onChange={(extraAttempts) => setAllowance({ ...allowance, extraAttempts })}
            />
          </div>
        )}
        <Button type="submit" className="min-h-10" disabled={save.isPending}>
          {save.isPending ? t('Saving …') : t('Save')}
        </Button>
      </div>
      <p className="text-sm text-soft">{t('More time holds from the next attempt on.')}</p>
      {save.isError && <Failed error={save.error} />}
    </form>
  )
}
