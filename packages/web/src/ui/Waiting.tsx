import { TextLink } from './TextLink'
import { useEffect, useState, type ReactNode } from 'react'
import { isKnown, useTexts } from './words/texts'
import { ApiProblem, Unreachable, wordsFor } from '../api'
import { Button } from './Button'
import { Message } from './Message'

const SHOWN_AFTER_MS = 400

/** Says that something is being fetched, once it takes long enough to notice. */
export function Waiting({ what }: { what?: string }) {
  const { t } = useTexts()
  const [shown, setShown] = useState(false)
  useEffect(() => {
    const timer = setTimeout(() => setShown(true), SHOWN_AFTER_MS)
    return () => clearTimeout(timer)
  }, [])
  return (
    <p role="status" className="p-6 text-soft">
      {shown ? (what ?? t('Fetching …')) : ''}
    </p>
  )
}

type Result<T> = { data: T | undefined; error: unknown; isPending: boolean; refetch: () => unknown }
/** Shows what a query brought, or that it is on its way, or why it did not come. */
export function Loaded<T>({ query, children }: { query: Result<T>; children: (data: T) => ReactNode }) {
  const { isPending, error, refetch } = query
  const failed = query.data === undefined && !isPending
  useEffect(() => {
    // What failed for want of a network is asked for again when there is one.
    if (!failed || !(error instanceof Unreachable)) return
    const again = () => void refetch()
    window.addEventListener('online', again)
    return () => window.removeEventListener('online', again)
  }, [failed, error, refetch])
  if (query.data !== undefined) return <>{children(query.data)}</>
  if (isPending) return <Waiting />
  return (
    <div className="p-6 max-w-2xl">
      <Failed error={error} again={() => void refetch()} />
    </div>
  )
}
/** What the server says about a failure, in the language that is spoken where it knows it. */
export function ServerWords({ error }: { error: unknown }) {
  const { t } = useTexts()
  const { detail, words = detail, into } = wordsFor(error)
  return isKnown(words) ? t(words, into ?? {}) : detail
}

export function Failed({ error, again }: { error: unknown; again?: () => void }) {
  const { t } = useTexts()
  const { title, detail, words = detail, into } = wordsFor(error)
  // What the server says is a key where the language knows it.
  const said = (key: string, plain = key) => (isKnown(key) ? t(key, into ?? {}) : plain)
  const closed = error instanceof ApiProblem && (error.problem.status === 403 || error.problem.status === 404) && again !== undefined
  return (
    <Message tone="bad" title={said(title)} role="alert">
      {detail && <p>{said(words, detail)}</p>}
      {closed ? (
        <p className="mt-1">
          <TextLink to="/">{t('Go to Today')}</TextLink>
        </p>
      ) : (
        again && (
          <Button className="mt-2" onClick={again}>
            {t('Try again')}
          </Button>
        )
      )}
    </Message>
  )
}
