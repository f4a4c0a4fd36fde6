import type { JudgedReply } from '@jackdaw/contracts/judging'
import type { QuizAttemptId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { ButtonLink, Loaded, Message, momentOf, TextButton, TitleLine } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { attemptFiles } from '../attemptFiles'
import { ContentView } from '../ContentView'
import { useJudging } from '../queries'
import { AnswerTo } from '../taking/answers/AnswerTo'
import { GivenGrades } from './GivenGrades'
import { GradeForm } from './GradeForm'

/** The replies of an attempt for whoever judges them: what was replied on the left, the rubric beside it. */
export function JudgePage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: QuizAttemptId }>()
  return (
    <Loaded query={useJudging(id)}>
      {({ title, person, number, endedAt, passed, replies, two }) => {
        const turns = replies.filter((reply) => reply.turn && !hasGiven(reply))
        return (
          <>
            <title>{`${person.name}: ${title} – Jackdaw`}</title>
            <TitleLine
              where={{ to: '/to-judge', name: t('To judge') }}
              title={`${person.name}, ${title}`}
              state={
                <>
                  {t('Attempt {{n}}', { n: number })} · {t('Handed in {{moment}}', { moment: momentOf(endedAt) })}
                  {two && ` · ${t('two judge each reply')}`}
                </>
              }
            />
            <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-4 space-y-2">
              {passed !== null && (
                <Message tone="note" title={passed ? t('All of it is judged: passed') : t('All of it is judged: not passed')}>
                  {t('{{name}} has been told.', { name: person.name })}
                </Message>
              )}
              {passed === null && turns.length === 0 && (
                <Message tone="note" title={t('You have judged your part. Somebody else is still to judge.')} />
              )}
              <ol>
                {replies.map((reply, n) => (
                  <Reply key={reply.question.id} {...{ id, reply, n }} name={person.name} />
                ))}
              </ol>
              {turns.length === 0 && <ButtonLink to="/to-judge">{t('What else waits')}</ButtonLink>}
            </div>
          </>
        )
      }}
    </Loaded>
  )
}

/** Whether the asker has judged a reply, and may still change what they gave. */
const hasGiven = ({ turn, apart, grades }: JudgedReply): boolean => turn && apart === null && grades.length > 0

function Reply({ id, reply, n, name }: { id: QuizAttemptId; reply: JudgedReply; n: number; name: string }) {
  const { t } = useTexts()
  const { question, answer, turn, settled, most, apart, grades, rubric } = reply
  const source = attemptFiles(id)
  const [changes, setChanges] = useState(false)
  const given = hasGiven(reply) && !changes
  const shown = apart !== null || !turn || given
  return (
    <li className="border-b border-hair py-6 grid gap-x-10 gap-y-6 lg:grid-cols-2" aria-label={t('Reply {{n}}', { n: n + 1 })}>
      <div className="space-y-4 min-w-0">
        <ContentView content={question.prompt} source={source} />
        <AnswerTo question={question} answer={answer} disabled source={source} />
      </div>
      <div className="space-y-4 min-w-0">
        {apart !== null && settled === null && (
          <Message tone="warn" title={t('The two lie {{apart}} of {{most}} points apart', { apart, most })}>
            {turn ? t('What you give counts.') : t('A third settles it.')}
          </Message>
        )}
        {settled !== null && (
          <p className="font-semibold">{t('Settled: {{points}} of {{most}} points', { points: Math.round(settled * 100) / 100, most })}</p>
        )}
        {shown && grades.length > 0 && <GivenGrades {...{ grades, criteria: rubric.criteria }} />}
        {rubric.words !== '' && turn && !given && <p className="whitespace-pre-line text-soft border-l border-hair pl-3">{rubric.words}</p>}
        {given && <TextButton onClick={() => setChanges(true)}>{t('Change what you gave')}</TextButton>}
        {turn && !given && <GradeForm {...{ id, reply, name }} onGiven={() => setChanges(false)} />}
      </div>
    </li>
  )
}
