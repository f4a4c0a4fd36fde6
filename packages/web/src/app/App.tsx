import { Suspense, type ComponentType, type ReactNode } from 'react'
import { BrowserRouter, Outlet, Route, Routes, useLocation, useOutletContext } from 'react-router'
import { Broken } from './Broken'
import type { Page } from './page'
import { ALONE, FOR_DEVELOPERS, IN_SHELL, NOT_FOUND, OUTSIDE } from './pages'
import { Shell, SignedIn } from './Shell'

/** Addresses and their pages. The router has no data of its own: what pages need they ask for themselves, and so a reader loads half as much of
 * it. Where a page is on its way the one before it stays.
 * @param Router what says where somebody is: the browser, or whoever draws the page for it */
export function App({ Router = BrowserRouter }: { Router?: ComponentType<{ children: ReactNode }> }) {
  return (
    <Router>
      <Suspense fallback={null}>
        <Routes>
          <Route element={<Guarded />}>
            {[...OUTSIDE, ...FOR_DEVELOPERS].map(routeOf)}
            <Route element={<SignedIn />}>
              <Route element={<Shell />}>
                <Route element={<Guarded />}>{[...IN_SHELL, NOT_FOUND].map(routeOf)}</Route>
              </Route>
              {ALONE.map(routeOf)}
            </Route>
          </Route>
        </Routes>
      </Suspense>
    </Router>
  )
}

/** Addresses are written in one way: to match them whatever their case takes a phone 15 ms at the first time. */
const routeOf = ({ path, Component }: Page) => <Route key={path} path={path} caseSensitive element={<Component />} />

/** Says so where a page cannot be shown; whoever goes elsewhere comes out of it. */
function Guarded() {
  return (
    <Broken at={useLocation()}>
      <Outlet context={useOutletContext()} />
    </Broken>
  )
}
