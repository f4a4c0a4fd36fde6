import { PageTabs } from '../ui'
import { useTexts } from '../ui/words/texts'

/** The parts of the library, by what stands in it. */
export function LibraryTabs() {
  const { t } = useTexts()
  return (
    <PageTabs
      label={t('Library')}
      parts={[
        { to: '/library', words: t('Guides'), end: true },
        { to: '/library/quizzes', words: t('Quizzes') },
      ]}
    />
  )
}
