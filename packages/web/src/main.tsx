import './ui/fonts.css'
import './ui/theme.css'
import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { queryClient } from './api'
import { App } from './app/App'
import { fetchPageAt } from './app/pages'
import { meQuery, speakAsBefore } from './people'

// The page may not make code from text (its security policy), so schemas are checked without.
// Said before any schema is loaded: the first page needs none.
Object.assign(globalThis, { __zod_globalConfig: { jitless: true } })

speakAsBefore()
void queryClient.prefetchQuery(meQuery)
fetchPageAt(location.pathname)

const root = document.getElementById('root')
if (!root) throw new Error('the page has no root')
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <App />
    </QueryClientProvider>
  </StrictMode>,
)
