import { nth } from '../shared'
import type { Act } from './act'
import { hostOf, originOf, pageKey } from './address'
import type { PageSeen, SentenceLanguage } from './rawAction'
import { PHRASES } from './sentences/sentence'

/** What the application is called: by its own word, by what all its titles have in common, or by its host.
 * @param pages all pages of the recording */
export function applicationName(page: PageSeen, pages: readonly PageSeen[]): string {
  if (page.application.trim() !== '') return page.application.trim()
  const origin = originOf(page.address)
  const titles = [...new Set(pages.filter((each) => originOf(each.address) === origin).map((each) => each.title.trim()))].filter(Boolean)
  const parts = titles.map((title) => title.split(/\s+[–—|·:-]\s+/).map((part) => part.trim()))
  const common = parts[0]?.filter((part) => part !== '' && parts.every((each) => each.includes(part))) ?? []
  const name = titles.length === 1 && (parts[0]?.length ?? 0) > 1 ? nth(parts, 0).at(-1) : common.at(-1)
  return name ?? hostOf(page.address)
}

/** What a page is called apart from its application: its heading, or the rest of its title. */
export function pageTitle(page: PageSeen, application: string): string {
  if (page.heading.trim() !== '') return page.heading.trim()
  const rest = page.title
    .split(/\s+[–—|·:-]\s+/)
    .map((part) => part.trim())
    .filter((part) => part !== '' && part !== application)
  return rest[0] ?? ''
}

/** Acts that belong together under one heading; `title` is empty where none is needed. */
export type Chapter = { title: string; acts: Act[] }

const keyOf = (act: Act): string => `${pageKey(act.action.page.address)}\n${act.action.page.heading}`

/** Sections from pages: steps on one page belong together; a page that one only passed on the way to the
 * next, or on which one thing was done at the end, is no section of its own. Another application always begins one. */
export function chaptersOf(acts: readonly Act[], language: SentenceLanguage): Chapter[] {
  const pages = acts.map((act) => act.action.page)
  const runs: Act[][] = []
  for (const act of acts) {
    const last = runs.at(-1)
    if (last && !act.startsApplication && keyOf(last.at(-1)!) === keyOf(act)) last.push(act)
    else runs.push([act])
  }
  const chapters = joinShort(runs).map((run) => ({ title: headingOf(run, pages, language), acts: run }))
  return chapters.length < 2 ? [{ title: '', acts: [...acts] }] : chapters
}

const ENTERS = new Set(['type', 'clear', 'choose', 'set', 'tick', 'untick', 'upload', 'drag'])
/** One thing done, or two by which nothing was entered: a link, a tab, a menu and its entry. */
const isOnTheWay = (run: readonly Act[]): boolean => run.length < 2 || (run.length === 2 && !run.some((act) => ENTERS.has(act.verb)))

/** What is on the way joins what follows on the same application, the last one what went before. */
function joinShort(runs: readonly Act[][]): Act[][] {
  const joined: Act[][] = []
  let waiting: Act[] = []
  for (const run of runs) {
    if (nth(run, 0).startsApplication && waiting.length > 0) {
      settle(joined, waiting)
      waiting = []
    }
    const whole = [...waiting, ...run]
    waiting = []
    if (isOnTheWay(run)) waiting = whole
    else joined.push(whole)
  }
  if (waiting.length > 0) settle(joined, waiting)
  return joined
}

function settle(joined: Act[][], rest: Act[]): void {
  const last = joined.at(-1)
  if (last && !nth(rest, 0).startsApplication) last.push(...rest)
  else joined.push(rest)
}

/** The heading of the page on which most of it takes place. */
function headingOf(run: readonly Act[], pages: readonly PageSeen[], language: SentenceLanguage): string {
  const counts = new Map<string, number>()
  for (const act of run) {
    const title = pageTitle(act.action.page, applicationName(act.action.page, pages))
    if (title !== '') counts.set(title, (counts.get(title) ?? 0) + 1)
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1])
  const application = applicationName(nth(run, 0).action.page, pages)
  if (nth(run, 0).startsApplication && (!most || most[0] === application))
    return PHRASES[language].section.application.replace('{application}', application)
  return most?.[0] ?? application
}
