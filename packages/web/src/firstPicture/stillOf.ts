/** A page that can be read before its scripts are there: its links lead on, as links do by themselves; nothing else in it acts. */
export type Still = { title: string; html: string }

/** What others refer to, or what scripts look for. How a thing looks, and what it says of itself, stays. */
const REFERRED =
  / (?:id|for|form|name|tabindex|popovertarget|autofocus|draggable|data-[\w-]+|aria-(?:labelledby|describedby|controls|owns|activedescendant|live))="[^"]*"/g
const TITLE = /<title>([^<]*)<\/title>/
/** What React wants fetched ahead; the page says so itself. */
const AHEAD = /<link [^>]*>/g
/** What would have to be done by a script. */
const NEEDS_SCRIPTS = /^<(?:button|input|select|textarea)(?=[ />])/

/** Takes from the HTML of a page, as React writes it, what only acts with scripts. Words cannot be mistaken for it: React writes their
 * quotes as `&quot;`. */
export function stillOf(html: string): Still {
  const title = TITLE.exec(html)?.[1] ?? ''
  const body = html.replaceAll(new RegExp(TITLE, 'g'), '').replaceAll(AHEAD, '')
  return { title, html: body.replaceAll(/<[a-z][^>]*>/g, (tag) => tag.replaceAll(REFERRED, '').replace(NEEDS_SCRIPTS, '$& inert')) }
}
