import './ui/fonts.css'
import './ui/theme.css'
import { getMe } from '@jackdaw/contracts/people'
import { QueryClientProvider } from '@tanstack/react-query'
import { startTransition, StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { firstAnswer, queryClient } from './api'
import { App } from './app/App'
import { fetchPageAt } from './app/pages'
import { readySecondVisit } from './app/secondVisit'
import { meAsBefore, meQuery, speakAsBefore, speakFromNow } from './people'

// The page may not make code from text (its security policy), so schemas are checked without.
// Said before any schema is loaded: the first page needs none.
Object.assign(globalThis, { __zod_globalConfig: { jitless: true } })

/** Gets what the first picture needs. Where all of it came along with the page, the page is drawn once, and whole. */
async function begin(): Promise<void> {
  const me = firstAnswer(getMe)
  const page = fetchPageAt(location.pathname)
  if (me === undefined) {
    // The page came from this browser itself: what it knew before is shown until the server answers.
    meAsBefore()
    void speakAsBefore()
    void queryClient.prefetchQuery(meQuery)
    return
  }
  await Promise.all([me ? speakFromNow(me.language) : speakAsBefore(), queryClient.prefetchQuery(meQuery), page])
}

const FRAME_MS = 100
/** Lets what the page came with be seen before anything else is done. A page that lies behind others is not drawn, and does not wait. */
const seen = (): Promise<unknown> =>
  document.querySelector('[data-still]') === null
    ? Promise.resolve()
    : Promise.race([
        new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve))),
        new Promise((resolve) => setTimeout(resolve, FRAME_MS)),
      ])

const root = document.getElementById('root')
if (!root) throw new Error('the page has no root')
// In slices, so that a slow phone can be scrolled and touched meanwhile.
const draw = () =>
  startTransition(() =>
    createRoot(root).render(
      <StrictMode>
        <QueryClientProvider client={queryClient}>
          <App />
        </QueryClientProvider>
      </StrictMode>,
    ),
  )
void seen().then(begin).then(draw).then(readySecondVisit)
