import type { StepSurvey } from '@jackdaw/contracts/surveys'
import type { GuideId, SurveyId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, Failed, Loaded, TextLink, TitleLine, whenOf } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { GivenAnswers, HeldNote } from './GivenAnswers'
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

function Answers({ id, survey }: { id: GuideId; survey: StepSurvey }) {
  const query = useSurvey(id, survey.id)
  return (
    <Loaded query={query}>
      {({ given, held }) => (
        <>
          <HeldNote held={held} over={survey.endedAt !== null} />
          {(given.length > 0 || held === 0) && <GivenAnswers question={survey.question} given={given} />}
        </>
      )}
    </Loaded>
  )
}
