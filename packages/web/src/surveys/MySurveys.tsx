import { Link } from 'react-router'
import { ButtonLink, dayOf, Failed } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useAskedSurveys } from './queries'

/** What one is asked and has not answered. */
export function MySurveys() {
  const { t } = useTexts()
  const query = useAskedSurveys()
  if (query.isError) return <Failed error={query.error} />
  if (!query.data || query.data.length === 0) return null
  return (
    <section aria-labelledby="asked" className="mb-8">
      <h2 id="asked" className="text-lg mb-1">
        {t('You are asked')}
      </h2>
      <ul className="bg-sheet border-t-2 border-ink">
        {query.data.slice(0, 5).map(({ id, document, by, until }) => (
          <li key={id} className="border-b border-hair px-4 py-3 flex flex-wrap items-center gap-x-5 gap-y-2">
            <div className="grow basis-60 min-w-0">
              <Link to={`/asked/${id}`} className="font-serif text-lg leading-6 hover:underline">
                {document.title}
              </Link>
              <p className="text-sm text-soft">
                {by} · {t('{{count}} questions', { count: document.questions.length })}
                {until && ` · ${t('until {{day}}', { day: dayOf(until) })}`}
              </p>
            </div>
            <ButtonLink
              to={`/asked/${id}`}
              className="min-h-11 min-w-24 grow sm:grow-0"
              aria-label={t('Answer {{title}}', { title: document.title })}
            >
              {t('Answer')}
            </ButtonLink>
          </li>
        ))}
      </ul>
    </section>
  )
}
