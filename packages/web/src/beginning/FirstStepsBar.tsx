import { useMe } from '../people'
import { TextLink } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useFirstSteps } from './queries'

/** On Today: how far the company has come, for whoever leads it on, until all is there. */
export function FirstStepsBar() {
  const { t } = useTexts()
  const { begins } = useMe()
  const { data } = useFirstSteps(begins)
  if (!begins || !data || data.gone) return null
  const { steps } = data
  const done = steps.filter((step) => step.done).length
  return (
    <p className="bg-sheet border-l-4 border-petrol px-4 py-3 mb-5">
      {t('Your company has just begun: {{done}} of {{of}} first steps are taken.', { done, of: steps.length })}{' '}
      <TextLink to="/first-steps">{t('What comes next')}</TextLink>
    </p>
  )
}
