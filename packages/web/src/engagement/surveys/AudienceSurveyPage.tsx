import type { AudienceSurveyId } from '@jackdaw/core/shared'
import { Button, Failed, Loaded, percentOf, TextLink, TitleLine, whenOf } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { useAudienceSurvey, useEndAudienceSurvey } from '../../surveys/queries'
import { GivenAnswers, HeldNote } from '../GivenAnswers'
import { stateWords } from './stateWords'

/** What was answered to a survey, question by question. */
export function AudienceSurveyPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: AudienceSurveyId }>()
  const query = useAudienceSurvey(id)
  const end = useEndAudienceSurvey()
  return (
    <Loaded query={query}>
      {({ survey: { document, sentAt, sentBy, asked, answered, endedAt, over, until, anonymous }, audience, waiting, answers, held }) => (
        <>
          <title>{t('{{title}} – Surveys – Jackdaw', { title: document.title })}</title>
          <TitleLine
            where={{ to: '/surveys', name: t('Surveys') }}
            title={document.title}
            state={[
              t('{{n}} of {{of}} have answered, {{share}}', { n: answered, of: asked, share: percentOf(answered / asked) }),
              t('sent {{when}} by {{name}}', { when: whenOf(sentAt), name: sentBy.name }),
              stateWords(t, { endedAt, over, until }),
              ...(anonymous ? [t('without names')] : []),
            ].join(' · ')}
          >
            {!over && (
              <Button disabled={end.isPending} onClick={() => end.mutate(id)}>
                {t('End it')}
              </Button>
            )}
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            {end.isError && <Failed error={end.error} />}
            {document.about && <p className="pt-4 max-w-prose whitespace-pre-line">{document.about}</p>}
            <div className="py-4 space-y-1.5">
              <details>
                <summary className="cursor-pointer text-soft">{t('Who was asked')}</summary>
                <p className="max-w-prose py-1">{audience.name ?? audience.sentence}</p>
              </details>
              {waiting && waiting.length > 0 && (
                <details>
                  <summary className="cursor-pointer text-soft">{t('Not answered by {{n}}', { n: waiting.length })}</summary>
                  <ul className="py-1 space-y-1">
                    {waiting.map((person) => (
                      <li key={person.id}>
                        <TextLink to={`/records/people/${person.id}`}>{person.name}</TextLink>
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </div>
            <HeldNote held={held} over={over} />
            {(answers.length > 0 || held === 0) &&
              document.questions.map(({ id: key, question }) => (
                <section key={key} className="border-t border-hair py-4">
                  <h2 className="font-semibold text-lg">{question.words}</h2>
                  <GivenAnswers question={question} given={answers.filter((each) => each.id === key)} />
                </section>
              ))}
          </div>
        </>
      )}
    </Loaded>
  )
}
