import { useMe } from '../people'
import { PageTabs } from '../ui'
import { useTexts } from '../ui/words/texts'

/** The parts of the area Plans: what people go through, what they do in the real world, and by which questions it shows what they can do. */
export function PlanTabs() {
  const { t } = useTexts()
  const me = useMe()
  return (
    <PageTabs
      label={t('Plans')}
      parts={[
        ...(me.permissions.includes('guides.all') ? [{ to: '/plans', words: t('Plans') }] : []),
        { to: '/tasks', words: t('Tasks') },
        { to: '/quizzes', words: t('Quizzes') },
        { to: '/banks', words: t('Question banks') },
      ]}
    />
  )
}
