import { lazy, useState, type ComponentType } from 'react'
import { loadingPages } from './loadingPages'

/** The script of a page could not be fetched. */
export class PageNotFetched extends Error {}

/** A page. `ahead` fetches what it is drawn with besides, for whoever is signed in. */
type PageComponent = ComponentType & { ahead?: () => Promise<unknown> }
type Load = () => Promise<PageComponent>
export type Page = { path: string; Component: ComponentType; load: () => Promise<unknown> }

/** A page whose script is fetched when somebody goes to it. Where it has come already it is drawn at once: what has to be waited for, however
 * short, React shows a third of a second later. */
export function page(path: string, load: Load): Page {
  let coming: Promise<{ default: ComponentType }> | null = null
  let here: PageComponent | null = null
  const fetched = async () => {
    try {
      here = await load()
      return { default: here }
    } catch (error) {
      throw new PageNotFetched('the script of the page did not come', { cause: error })
    }
  }
  const come = () => (coming ??= loadingPages.during(fetched()))
  const Fetched = lazy(come)
  function Component() {
    const [Page] = useState<ComponentType>(() => here ?? Fetched)
    return <Page />
  }
  return { path, Component, load: () => come().then(() => here?.ahead?.()) }
}
