import type { StepSurvey } from '@jackdaw/contracts/surveys'
import type { GuideId, SurveyId } from '@jackdaw/core/shared'
import { resultsOf, type SurveyQuestion } from '@jackdaw/core/surveys'
import { useState } from 'react'
import { Button, Failed, Loaded, momentOf, percentOf, TextLink, TitleLine, whenOf } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts, type Texts } from '../ui/words/texts'
import { useEndSurvey, useSurvey, useSurveys } from '../surveys/queries'

/** What is asked at the steps of a guide, and what was answered. */
export function SurveysPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: GuideId }>()
  const query = useSurveys(id)
  const [open, setOpen] = useState<SurveyId | null>(null)
  return (
    <Loaded query={query}>
      {(surveys) => (
        <>
          <title>{t('Questions at steps – Jackdaw')}</title>
          <TitleLine
            where={{ to: `/engagement/guides/${id}`, name: t('Step by step') }}
            title={t('Questions at steps')}
            state={t('What readers of this guide are asked, and what they answered')}
          />
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            {surveys.length === 0 && (
              <p className="py-6 max-w-prose">
                {t('Nothing has been asked here yet. Open the step where many leave, and ask them there.')}{' '}
                <TextLink to={`/engagement/guides/${id}`}>{t('Step by step')}</TextLink>
              </p>
            )}
            {surveys.map((survey, index) => (
              <SurveyPart
                key={survey.id}
                {...{ id, survey }}
                open={open === null ? index === 0 : open === survey.id}
                onOpen={() => setOpen(survey.id)}
              />
            ))}
          </div>
        </>
      )}
    </Loaded>
  )
}

function SurveyPart({ id, survey, open, onOpen }: { id: GuideId; survey: StepSurvey; open: boolean; onOpen: () => void }) {
  const { t } = useTexts()
  const end = useEndSurvey(id)
  return (
    <section className="border-b border-hair py-4">
      <div className="flex flex-wrap items-start gap-3">
        <div className="grow min-w-0">
          <h2 className="font-semibold text-lg">{survey.question.words}</h2>
          <p className="text-sm text-soft">
            {t('At “{{step}}”', { step: survey.step })} · {survey.when === 'come' ? t('as they come') : t('as they leave')} ·{' '}
            {t('{{answers}} of {{most}} answers', { answers: survey.answers, most: survey.most })} ·{' '}
            {survey.endedAt === null
              ? t('asked by {{name}} since {{when}}', { name: survey.askedBy.name, when: whenOf(survey.askedAt) })
              : t('ended {{when}}', { when: whenOf(survey.endedAt) })}
            {survey.anonymous && ` · ${t('anonymous')}`}
          </p>
        </div>
        {!open && <Button onClick={onOpen}>{t('Read the answers')}</Button>}
        {survey.endedAt === null && (
          <Button disabled={end.isPending} onClick={() => end.mutate(survey.id)}>
            {t('End it')}
          </Button>
        )}
      </div>
      {end.isError && <Failed error={end.error} />}
      {open && <Answers {...{ id, survey }} />}
    </section>
  )
}

/** What a value of a question is called. */
const valueName = (t: Texts['t'], question: SurveyQuestion, value: number): string => {
  if (question.kind === 'choice') return question.options[value] ?? ''
  if (question.kind === 'stars') return t('{{n}} of 5 stars', { n: value })
  const end = question.kind === 'scale' ? { 0: question.low, 10: question.high }[value] : undefined
  return end ? `${value} (${end})` : String(value)
}

function Answers({ id, survey: { id: surveyId, question } }: { id: GuideId; survey: StepSurvey }) {
  const { t } = useTexts()
  const query = useSurvey(id, surveyId)
  return (
    <Loaded query={query}>
      {({ given }) => {
        if (given.length === 0) return <p className="py-3 text-soft">{t('Nobody has answered yet.')}</p>
        const results = resultsOf(
          question,
          given.map((each) => each.answer),
        )
        return (
          <div className="lg:grid lg:grid-cols-2 gap-8 pt-3">
            <div>
              {results.counts.length > 0 && (
                <table className="w-full text-sm" aria-label={t('Answers')}>
                  <tbody>
                    {results.counts.map(({ value, times }) => (
                      <tr key={value} className="border-b border-hair">
                        <th scope="row" className="text-left font-normal py-1.5 pr-3">
                          {valueName(t, question, value)}
                        </th>
                        <td className="w-40">
                          <span className="block h-2 bg-hair" aria-hidden>
                            <span className="block h-full bg-petrol" style={{ width: `${(100 * times) / results.answers}%` }} />
                          </span>
                        </td>
                        <td className="pl-3 tabular-nums whitespace-nowrap">
                          {times} <span className="text-soft">({percentOf(times / results.answers)})</span>
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              )}
              <p className="text-sm text-soft pt-2">
                {results.mean !== null && t('{{mean}} on average. ', { mean: results.mean.toFixed(1) })}
                {results.onlyWords > 0 && results.counts.length > 0 && t('{{n}} gave words only.', { n: results.onlyWords })}
              </p>
            </div>
            <ul className="divide-y divide-hair">
              {given.map(({ answer, by, at }, n) => (
                <li key={n} className="py-2">
                  {answer.value !== null && <span className="font-semibold">{valueName(t, question, answer.value)} </span>}
                  {answer.comment && <span className="[overflow-wrap:anywhere]">{answer.comment}</span>}
                  {by && (
                    <span className="block text-sm text-soft">
                      <TextLink to={`/records/people/${by.id}`}>{by.name}</TextLink>
                      {at !== null && `, ${momentOf(at)}`}
                    </span>
                  )}
                </li>
              ))}
            </ul>
          </div>
        )
      }}
    </Loaded>
  )
}
