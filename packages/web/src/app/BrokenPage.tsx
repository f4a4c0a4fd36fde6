import { useTexts } from '../ui/texts'
import { useRouteError } from 'react-router'
import { wordsFor } from '../api'
import { Button, Message } from '../ui'

/** A page that could not be shown, with the ways on. */
export function BrokenPage() {
  const { t } = useTexts()
  const error = useRouteError()
  const { title, detail } = wordsFor(error)
  return (
    <main className="p-6 max-w-2xl">
      <Message tone="bad" title={title} role="alert">
        <p>{detail}</p>
        <p>{t('What you had saved is safe. Load the page again to go on.')}</p>
        <p className="flex gap-2 mt-2">
          <Button look="primary" onClick={() => location.reload()}>
            {t('Load again')}
          </Button>
          <a className="self-center text-petrol underline" href="/">
            {t('Go to Today')}
          </a>
        </p>
      </Message>
    </main>
  )
}
