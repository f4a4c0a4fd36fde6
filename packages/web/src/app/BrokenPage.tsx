import { useTexts } from '../ui/texts'
import { useEffect } from 'react'
import { useRouteError } from 'react-router'
import { wordsFor } from '../api'
import { Button, Message } from '../ui'

/** A page that could not be shown, with the ways on. */
export function BrokenPage() {
  const { t } = useTexts()
  const error = useRouteError()
  const { title, detail } = wordsFor(error)
  useEffect(() => {
    // A page whose script could not be fetched comes by itself when the network is back.
    if (navigator.onLine) return
    const again = () => location.reload()
    window.addEventListener('online', again)
    return () => window.removeEventListener('online', again)
  }, [])
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
