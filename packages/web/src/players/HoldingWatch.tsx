import type { Holding } from '@jackdaw/contracts/reading'
import { useQuery } from '@tanstack/react-query'
import { type ReactNode } from 'react'
import { ApiProblem } from '../api'
import { Button, Message, ServerWords } from '../ui'
import { useTexts } from '../ui/words/texts'

const EVERY_MS = 30_000

/** Watches whether the edition that somebody has before them still holds. One that was withdrawn is taken away from them, and they are led to the one that holds; of a new one
 * they are told.
 * @param ask    which edition holds
 * @param onAnew gets that edition
 * @param gone   what stands there when the guide itself is not there any more */
export function HoldingWatch({
  of,
  edition,
  ask,
  onAnew,
  gone,
  children,
}: {
  of: string
  edition: number
  ask: (signal: AbortSignal) => Promise<Holding>
  onAnew: () => void
  gone: (error: ApiProblem) => ReactNode
  children: ReactNode
}) {
  const { t } = useTexts()
  const query = useQuery({
    queryKey: ['holding', of, edition],
    queryFn: ({ signal }) => ask(signal),
    initialData: { edition, withdrawn: null },
    staleTime: EVERY_MS,
    refetchInterval: EVERY_MS,
    refetchOnWindowFocus: 'always',
  })
  if (query.error instanceof ApiProblem && query.error.problem.status === 404) return gone(query.error)
  const { edition: holds, withdrawn } = query.data
  const read = (
    <Button look="primary" className="min-h-14 px-6 text-lg" autoFocus={withdrawn !== null} onClick={onAnew}>
      {t('Read edition {{n}}', { n: holds })}
    </Button>
  )
  if (withdrawn)
    return (
      <div className="w-full max-w-xl mx-auto p-4 sm:pt-12 space-y-4">
        <Message tone="bad" role="alert" title={t('Edition {{n}} has been withdrawn', { n: edition })}>
          <p className="mb-1">{withdrawn.why}</p>
          <p>{t('What you have read in it does not hold.')}</p>
        </Message>
        {read}
      </div>
    )
  return (
    <>
      {holds !== edition && (
        <div className="px-4 py-3 bg-sheet border-b border-hair print:hidden">
          <Message tone="warn" role="alert" title={t('Edition {{n}} holds now', { n: holds })}>
            <p className="mb-2">{t('You have edition {{n}} before you.', { n: edition })}</p>
            {read}
          </Message>
        </div>
      )}
      {children}
    </>
  )
}

/** What is said where a guide is not there any more. */
export function GuideGone({ title, error }: { title: string; error: ApiProblem }) {
  return (
    <div className="w-full max-w-xl mx-auto p-4 sm:pt-12">
      <Message tone="warn" role="alert" title={title}>
        <ServerWords error={error} />
      </Message>
    </div>
  )
}
