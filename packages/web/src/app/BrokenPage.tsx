import { useTexts } from '../ui/words/texts'
import { useEffect } from 'react'
import { wordsFor } from '../api'
import { Button, Message } from '../ui'
import { PageNotFetched } from './page'

/** A page that could not be shown, with the ways on. */
export function BrokenPage({ error }: { error: unknown }) {
  const { t } = useTexts()
  const { title, detail } =
    error instanceof PageNotFetched
      ? {
          title: t('This page could not be fetched'),
          detail: t('The network may be gone, or Jackdaw was renewed while this page was open.'),
        }
      : wordsFor(error)
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
