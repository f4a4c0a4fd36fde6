import { Suspense } from 'react'
import { lazyPart } from '../lazyPart'
import { useToasts } from './shownToasts'

const ToastList = lazyPart(async () => (await import('./ToastList')).ToastList)

/** Where it is said what has been done; fetched when there is something to say. */
export function Toasts() {
  const some = useToasts().length > 0
  return some ? (
    <Suspense>
      <ToastList />
    </Suspense>
  ) : null
}
