import { TextLink } from '../ui'
import { useTexts } from '../ui/words/texts'

export function NotFoundPage() {
  const { t } = useTexts()
  return (
    <div className="p-6 max-w-2xl">
      <title>{t('Not found – Jackdaw')}</title>
      <h1 className="font-serif text-2xl mb-2">{t('There is nothing at this address')}</h1>
      <p>
        {t('The page may have been moved, or it is not for you.')} <TextLink to="/">{t('Go to Today')}</TextLink>
      </p>
    </div>
  )
}
