import { getMe, type Me } from '@jackdaw/contracts/people'
import type { Language } from '@jackdaw/core/people'
import { QueryClientProvider } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { renderToString } from 'react-dom/server'
import { StaticRouter } from 'react-router'
import { firstAnswer, putFirst, queryClient } from '../api'
import { App } from '../app/App'
import { fetchPageAt } from '../app/pages'
import { meQuery } from '../people'
import { speak } from '../ui/words/texts'
import { stillOf, type Still } from './stillOf'

/** What a page is drawn from: its address, the language of whoever opens it, and the first answers. */
export type ToDraw = { path: string; language: Language; answers: Record<string, unknown> }

/** More than this is not sent ahead: it would hold up what it stands for. */
const MOST_LETTERS = 300_000

/** A page as its browser will draw it once its scripts are there, to be looked at until then. One at a time: what it is drawn from stands in
 * the same places as in a browser. @returns nothing where the answers do not tell what is on it */
export async function firstPicture({ path, language, answers }: ToDraw): Promise<Still | null> {
  // What a browser says of itself.
  Object.defineProperty(globalThis, 'navigator', { value: { language, languages: [language], onLine: true }, configurable: true })
  putFirst(answers)
  const me = firstAnswer(getMe) ?? null
  await Promise.all([speak(language), fetchPageAt(path)])
  const At = ({ children }: { children: ReactNode }) => <StaticRouter location={path}>{children}</StaticRouter>
  queryClient.setQueryData<Me | null>(meQuery.queryKey, me)
  try {
    const html = renderToString(
      <QueryClientProvider client={queryClient}>
        <App Router={At} />
      </QueryClientProvider>,
    )
    // Where a part failed, React leaves the page empty for the browser to try again.
    return html.includes('<main') && html.length < MOST_LETTERS ? stillOf(html) : null
  } finally {
    queryClient.clear()
    putFirst({})
  }
}

/** Loads what pages are drawn with, so that the first person who comes does not wait for it. */
export const warmUp = (): Promise<unknown> => Promise.all(['/', '/library', '/guides/0', '/l/0'].map(fetchPageAt))
