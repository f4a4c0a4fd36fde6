import { isBlank, kindOf } from '@jackdaw/core/quizzes'
import type { QuizAttemptId } from '@jackdaw/core/shared'
import { lengthOf, Loaded, Message, momentOf, TitleLine } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { howAmended } from './amending/AmendmentList'
import { attemptFiles } from './attemptFiles'
import { ContentView } from './ContentView'
import { useAttemptRecord } from './queries'
import { GivenGrades } from './judging/GivenGrades'
import { RightAnswer } from './RightAnswer'
import { AnswerTo } from './taking/answers/AnswerTo'
import { VerdictMark } from './verdictWords'

/** An attempt of somebody's in the records: what was asked, what they answered, and how it was marked. */
export function AttemptRecordPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: QuizAttemptId }>()
  return (
    <Loaded query={useAttemptRecord(id)}>
      {({ quizId, title, person, attempt, questions, rules, seed, putRight }) => {
        const source = attemptFiles(id)
        return (
          <>
            <title>{`${person.name}: ${title} – Jackdaw`}</title>
            <TitleLine
              where={{ to: `/records/people/${person.id}/quizzes/${quizId}`, name: `${person.name}, ${title}` }}
              title={t('Attempt {{n}}', { n: attempt.number })}
              state={
                <>
                  {attempt.passed === null ? t('waits to be judged') : attempt.passed ? t('passed') : t('not passed')}
                  {attempt.percent !== null && ` · ${attempt.percent} %`} · {momentOf(attempt.endedAt ?? attempt.openedAt)} ·{' '}
                  {t('edition {{n}}', { n: attempt.edition })}
                  {attempt.ended === 'time-over' && ` · ${t('time over')}`}
                </>
              }
            />
            <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-4">
              {putRight.map(({ at, by, how, reason, before, after }) => (
                <Message
                  key={at}
                  tone="note"
                  title={t('The result was put right: {{before}} % became {{after}} %', { before: before.percent, after: after.percent })}
                >
                  {before.passed !== after.passed &&
                    `${after.passed ? t('It counts as passed.') : t('It does not count as passed any more.')} `}
                  {t('A question')} {howAmended(t, how)}: <span dir="auto">“{reason}”</span> · {by.name}, {momentOf(at)}
                </Message>
              ))}
              <ol className="max-w-[760px]">
                {questions.map(({ question, whole, answer, verdict, points, most, activeMs, grades, criteria }, n) => (
                  <li key={question.id} className="border-b border-hair py-5 space-y-3">
                    <div className="flex flex-wrap gap-x-4 gap-y-1 items-center">
                      <span className="tabular-nums text-soft">{n + 1}</span>
                      {verdict && most > 0 && <VerdictMark verdict={verdict} />}
                      {verdict && most === 0 && <span className="font-semibold text-soft">{t('does not count')}</span>}
                      <span className="text-sm text-soft">
                        {t('{{points}} of {{most}} points', { points: Math.round(points * 100) / 100, most })}
                        {activeMs > 0 && ` · ${lengthOf(activeMs)}`}
                      </span>
                    </div>
                    <ContentView content={question.prompt} source={source} />
                    <AnswerTo question={question} answer={answer} disabled source={source} />
                    {grades.length > 0 && <GivenGrades {...{ grades, criteria }} />}
                    {whole && verdict !== 'right' && kindOf(whole.kind).judgedBy === 'rules' && (
                      <div className="border-l-4 border-moss pl-4 space-y-2">
                        <h3 className="text-sm font-semibold">{t('What is right')}</h3>
                        <RightAnswer question={whole} source={source} />
                        {!isBlank(whole.explanation) && <ContentView content={whole.explanation} source={source} />}
                      </div>
                    )}
                  </li>
                ))}
              </ol>
              <p className="text-sm text-soft py-3">
                {t('Marked by rules {{rules}}. The questions can be drawn again from the seed {{seed}}.', { rules: rules ?? '–', seed })}
              </p>
            </div>
          </>
        )
      }}
    </Loaded>
  )
}
