/** What the recorder asks leave for when a recording starts, and gives back when it ends: to look at pages, and to be told how a page came
 * to be opened. */
export const LEAVE: chrome.permissions.Permissions = { permissions: ['webNavigation'], origins: ['<all_urls>'] }
