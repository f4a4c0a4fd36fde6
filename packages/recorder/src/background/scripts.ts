import { reasonOf } from '@jackdaw/core/shared'
import { LEAVE } from '../shared/leave'
import { forgetNavigations, watchNavigations } from './navigations'
import { within } from './within'

const SCRIPT = 'content'
const IN_WITHIN_MS = 3_000

export const mayLook = (): Promise<boolean> => chrome.permissions.contains(LEAVE)

/** Puts our script into every page from now on, and into those that are open. Jackdaw's own pages are left alone. */
export async function intoPages(own: string): Promise<void> {
  watchNavigations()
  const known = await chrome.scripting.getRegisteredContentScripts({ ids: [SCRIPT] })
  if (known.length === 0)
    await chrome.scripting.registerContentScripts([
      {
        id: SCRIPT,
        js: ['content.js'],
        matches: ['<all_urls>'],
        allFrames: true,
        matchOriginAsFallback: true,
        runAt: 'document_start',
        persistAcrossSessions: false,
      },
    ])
  const tabs = await chrome.tabs.query({})
  await Promise.all(
    tabs.map((tab) =>
      tab.id === undefined || !/^(https?|file):/.test(tab.url ?? '') || tab.url?.startsWith(`${own}/`)
        ? null
        : within(
            IN_WITHIN_MS,
            chrome.scripting
              .executeScript({ target: { tabId: tab.id, allFrames: true }, files: ['content.js'] })
              .catch((error: unknown) => {
                // Pages of the browser's own shop and the like let nobody in; they are not recorded.
                console.info('not in this tab:', reasonOf(error))
              }),
            undefined,
          ),
    ),
  )
}

/** Takes our script out of pages yet to come and gives the leave to look back.
 * @returns whether it was given back; a browser that was told to allow it always keeps it */
export async function outOfPages(): Promise<boolean> {
  const known = await chrome.scripting.getRegisteredContentScripts({ ids: [SCRIPT] })
  if (known.length > 0) await chrome.scripting.unregisterContentScripts({ ids: [SCRIPT] })
  forgetNavigations()
  return chrome.permissions.remove(LEAVE).catch(() => false)
}
