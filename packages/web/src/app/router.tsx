import { createBrowserRouter, redirect, type LoaderFunctionArgs } from 'react-router'
import { queryClient } from '../api'
import { meQuery } from '../people'
import { BrokenPage } from './BrokenPage'
import { Shell, SignedIn } from './Shell'

/** Lets only those in who are signed in, and brings the others back to where they wanted to go. */
async function mustBeSignedIn({ request }: LoaderFunctionArgs) {
  const me = await queryClient.fetchQuery(meQuery)
  if (me) return me
  const url = new URL(request.url)
  const to = url.pathname + url.search
  return redirect(to === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(to)}`)
}

export const router = createBrowserRouter([
  {
    path: '/sign-in',
    lazy: async () => ({ Component: (await import('../people/SignInPage')).SignInPage }),
    ErrorBoundary: BrokenPage,
    HydrateFallback: () => null,
  },
  {
    path: '/',
    id: 'shell',
    loader: mustBeSignedIn,
    shouldRevalidate: () => false,
    Component: SignedIn,
    ErrorBoundary: BrokenPage,
    HydrateFallback: () => null,
    children: [
      {
        Component: Shell,
        children: [
          { index: true, lazy: async () => ({ Component: (await import('../assignments/TodayPage')).TodayPage }) },
          { path: 'library', lazy: async () => ({ Component: (await import('../library/LibraryPage')).LibraryPage }) },
          { path: 'guides/:id', lazy: async () => ({ Component: (await import('../players/ReaderPage')).ReaderPage }) },
          { path: 'guides/:id/edit', lazy: async () => ({ Component: (await import('../guides/EditorPage')).EditorPage }) },
          { path: 'guides/:id/publish', lazy: async () => ({ Component: (await import('../assignments/PublishPage')).PublishPage }) },
          { path: 'recorder', lazy: async () => ({ Component: (await import('../recording/RecorderPage')).RecorderPage }) },
          { path: 'look', lazy: async () => ({ Component: (await import('../guides/LookPage')).LookPage }) },
          { path: 'records', lazy: async () => ({ Component: (await import('../records/RecordsPage')).RecordsPage }) },
          { path: 'records/guides/:id', lazy: async () => ({ Component: (await import('../records/WhoFinishedPage')).WhoFinishedPage }) },
          {
            path: 'records/guides/:id/cautions',
            lazy: async () => ({ Component: (await import('../records/CautionsPage')).CautionsPage }),
          },
          {
            path: 'records/people/:id/guides/:guideId',
            lazy: async () => ({ Component: (await import('../records/PersonGuidePage')).PersonGuidePage }),
          },
          { path: 'records/people/:id', lazy: async () => ({ Component: (await import('../records/PersonPage')).PersonPage }) },
          { path: '*', lazy: async () => ({ Component: (await import('./NotFoundPage')).NotFoundPage }) },
        ].map((each) => ({ ...each, ErrorBoundary: BrokenPage })),
      },
      // Players have the whole window.
      ...[
        { path: 'guides/:id/watch', lazy: async () => ({ Component: (await import('../players/WatchPage')).WatchPage }) },
        { path: 'guides/:id/practise', lazy: async () => ({ Component: (await import('../players/PractisePage')).PractisePage }) },
        { path: 'guides/:id/solo', lazy: async () => ({ Component: (await import('../players/SoloPage')).SoloPage }) },
        { path: 'guides/:id/preview/:way', lazy: async () => ({ Component: (await import('../players/PreviewPage')).PreviewPage }) },
      ].map((each) => ({ ...each, ErrorBoundary: BrokenPage })),
    ],
  },
])
