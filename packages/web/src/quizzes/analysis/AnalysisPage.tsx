import type { analyseQuiz, Counted } from '@jackdaw/contracts/quizAnalysis'
import { Counted as CountedSchema } from '@jackdaw/contracts/quizAnalysis'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { quizItem } from '@jackdaw/core/items'
import { wordsOf } from '@jackdaw/core/quizzes'
import type { QuizId } from '@jackdaw/core/shared'
import { Suspense, type ReactNode } from 'react'
import { recordsOf } from '../../items'
import { ButtonLink, dayAndYearOf, lazyPart, Loaded, percentOf, Radios, TextLink, TitleLine, useSearch, Waiting } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { useQuizAnalysis } from '../queries'
import { AmendmentList } from '../amending/AmendmentList'
import { QuestionRows } from './QuestionRows'

const Chart = lazyPart(async () => (await import('../../ui/chart/Chart')).Chart)

type Analysis = ResponseOf<typeof analyseQuiz>

/** What attempts tell of a quiz and its questions. */
export function AnalysisPage() {
  const { id } = useIds<{ id: QuizId }>()
  const { search, set } = useSearch({ counted: CountedSchema })
  const counted = search.counted ?? 'first'
  return (
    <Loaded query={useQuizAnalysis(id, counted)}>
      {(analysis) => <Analysed {...{ analysis, counted }} onCounted={(next) => set({ counted: next === 'first' ? undefined : next })} />}
    </Loaded>
  )
}

const dayIn = (at: number): string => dayAndYearOf(new Date(at).toISOString().slice(0, 10))

function Analysed({ analysis, counted, onCounted }: { analysis: Analysis; counted: Counted; onCounted: (next: Counted) => void }) {
  const { t } = useTexts()
  const { id, title, attempts, from, until } = analysis
  return (
    <>
      <title>{`${t('Questions')} – ${title} – Jackdaw`}</title>
      <TitleLine
        where={{ to: `/quizzes/${id}/edit`, name: title }}
        title={t('What attempts tell of the questions')}
        state={
          from === null || until === null
            ? t('No attempt is over yet')
            : t('{{count}} attempts, from {{from}} to {{until}}', { count: attempts, from: dayIn(from), until: dayIn(until) })
        }
      >
        {analysis.maySeeWho && <ButtonLink to={recordsOf(quizItem(id))}>{t('Who finished')}</ButtonLink>}
        <ButtonLink to={`/quizzes/${id}/edit`}>{t('Edit the quiz')}</ButtonLink>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5 space-y-8">
        <Radios<Counted>
          label={t('Counted are')}
          className="flex flex-wrap gap-x-6"
          value={counted}
          onChange={onCounted}
          options={[
            { value: 'first', words: t('the first attempt of each person') },
            { value: 'all', words: t('all attempts') },
          ]}
        />
        {attempts === 0 ? (
          <p className="text-soft">{t('As soon as somebody has handed in an attempt, it stands here how the questions went.')}</p>
        ) : (
          <>
            <Figures analysis={analysis} />
            <QuestionRows {...{ analysis, counted }} />
            <AmendmentList id={id} />
            <Charts analysis={analysis} />
          </>
        )}
      </div>
    </>
  )
}

/** What is known of the quiz as a whole; each figure says what it counts. */
function Figures({ analysis }: { analysis: Analysis }) {
  const { t } = useTexts()
  const { id, meanPercent, passMark, toPass, reliability, reliabilityRemark, maySeeWho } = analysis
  const people = t('{{passed}} of {{people}} people', { passed: toPass.passed, people: toPass.people })
  return (
    <dl className="grid sm:grid-cols-2 xl:grid-cols-4 gap-x-8 gap-y-5">
      <Figure name={t('Points on the average')} value={meanPercent === null ? '–' : `${Math.round(meanPercent)} %`}>
        {t('{{percent}} % are needed to pass.', { percent: passMark })}
      </Figure>
      <Figure name={t('Passed')} value={maySeeWho ? <TextLink to={recordsOf(quizItem(id))}>{people}</TextLink> : people}>
        {t('Of all who have made an attempt that is over, at whichever attempt.')}
      </Figure>
      <Figure name={t('Attempts to pass')} value={toPass.mean === null ? '–' : (Math.round(toPass.mean * 10) / 10).toLocaleString()}>
        {t('The mean of those who have passed.')}
      </Figure>
      <Figure
        name={reliability?.by === 'alpha' ? t('Reliability (Cronbach’s alpha)') : t('Reliability (KR-20)')}
        value={reliability ? reliability.value.toFixed(2) : '–'}
      >
        {t(reliabilityRemark.words, reliabilityRemark.into)}
      </Figure>
    </dl>
  )
}

function Figure({ name, value, children }: { name: string; value: ReactNode; children: ReactNode }) {
  return (
    <div className="border-t-2 border-ink pt-1">
      <dt className="text-sm text-soft">{name}</dt>
      <dd>
        <span className="block font-serif text-xl">{value}</span>
        <span className="block text-sm text-soft">{children}</span>
      </dd>
    </div>
  )
}

function Charts({ analysis: { questions, toPass, id } }: { analysis: Analysis }) {
  const { t } = useTexts()
  const asked = questions.filter((each) => each.asked > 0)
  const hardest = asked.reduce((least, each) => (each.difficulty < least.difficulty ? each : least), asked[0]!)
  return (
    <div className="grid xl:grid-cols-2 gap-8">
      <Suspense fallback={<Waiting what={t('The chart is coming …')} />}>
        <Chart
          as="bars"
          title={t('Points had at each question, in percent')}
          head={t('Question')}
          says={t('Of {{count}} questions, {{words}} was the hardest, with {{percent}} of its points.', {
            ...{ count: asked.length, words: `“${wordsOf(hardest.question.prompt)}”`, percent: percentOf(hardest.difficulty) },
          })}
          file={`questions-${id}`}
          along={asked.map((_, n) => String(n + 1))}
          written={(n) => n}
          lines={[{ name: t('percent'), values: asked.map(({ difficulty }) => Math.round(difficulty * 100)) }]}
        />
        {toPass.byAttempt.length > 0 && (
          <Chart
            as="bars"
            title={t('At which attempt people passed')}
            head={t('Attempt')}
            says={t('Of {{people}} people {{passed}} have passed, {{first}} of them at the first attempt.', {
              ...{
                people: toPass.people,
                passed: toPass.passed,
                first: toPass.byAttempt.find(({ attempt }) => attempt === 1)?.people ?? 0,
              },
            })}
            file={`attempts-${id}`}
            along={toPass.byAttempt.map(({ attempt }) => String(attempt))}
            written={(n) => n}
            lines={[{ name: t('people'), values: toPass.byAttempt.map(({ people }) => people) }]}
          />
        )}
      </Suspense>
    </div>
  )
}
