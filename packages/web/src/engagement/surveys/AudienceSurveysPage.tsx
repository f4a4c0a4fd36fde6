import type { AudienceSurvey } from '@jackdaw/contracts/audienceSurveys'
import { ButtonLink, Loaded, percentOf, Table, TextLink, TitleLine, whenOf } from '../../ui'
import type { Column } from '../../ui/table/columns'
import { useTexts } from '../../ui/words/texts'
import { useAudienceSurveys } from '../../surveys/queries'
import { stateWords } from './stateWords'

/** What people were asked, the newest first. */
export function AudienceSurveysPage() {
  const { t } = useTexts()
  const query = useAudienceSurveys()
  const columns: Column<AudienceSurvey>[] = [
    {
      id: 'title',
      head: t('Survey'),
      cell: ({ id, document }) => (
        <TextLink to={`/surveys/${id}`}>
          <span className="font-semibold">{document.title}</span>
        </TextLink>
      ),
    },
    { id: 'sent', head: t('Sent'), line: true, cell: ({ sentAt, sentBy }) => `${whenOf(sentAt)}, ${sentBy.name}` },
    {
      id: 'answered',
      head: t('Answered'),
      cell: ({ asked, answered }) => t('{{n}} of {{of}}, {{share}}', { n: answered, of: asked, share: percentOf(answered / asked) }),
    },
    {
      id: 'state',
      head: t('State'),
      cell: (survey) => stateWords(t, survey),
    },
    { id: 'names', head: t('Names'), from: 'sm', cell: ({ anonymous }) => (anonymous ? t('without') : t('with')) },
  ]
  return (
    <Loaded query={query}>
      {(rows) => (
        <>
          <title>{t('Surveys – Jackdaw')}</title>
          <TitleLine
            where={{ to: '/engagement', name: t('Engagement') }}
            title={t('Surveys')}
            state={t('What people were asked, and what they answered')}
          >
            <ButtonLink to="/surveys/new" look="primary">
              {t('Ask people')}
            </ButtonLink>
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            <Table
              label={t('Surveys')}
              {...{ rows, columns }}
              keyOf={({ id }) => id}
              empty={<p className="py-6">{t('Nobody has been asked anything yet.')}</p>}
            />
          </div>
        </>
      )}
    </Loaded>
  )
}
