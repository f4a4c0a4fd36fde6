import type { StandingOrders } from './messages'

const KEY = 'orders'

/** Lets the scripts in pages read what is written there; pages themselves cannot. Asked for each time the background begins to live. */
export const openToScripts = (): Promise<void> => chrome.storage.session.setAccessLevel({ accessLevel: 'TRUSTED_AND_UNTRUSTED_CONTEXTS' })

/** Writes down what scripts in pages need while something is recorded; `null` when nothing is. It does not outlive the browser. */
export const writeStandingOrders = (orders: StandingOrders | null): Promise<void> =>
  orders ? chrome.storage.session.set({ [KEY]: orders }) : chrome.storage.session.remove(KEY)

/** What is written down, for a script in a page; `null` when nothing is, or when it is not for scripts to read yet. */
export async function readStandingOrders(): Promise<StandingOrders | null> {
  try {
    return ((await chrome.storage.session.get(KEY))[KEY] as StandingOrders | undefined) ?? null
  } catch {
    // The background has not opened it yet: it is asked itself.
    return null
  }
}
