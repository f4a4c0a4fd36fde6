import type { Act } from './act'
import { nameOf } from './nameOf'
import type { SentenceLanguage } from './rawAction'
import { applicationName, pageTitle } from './sections'
import { PHRASES } from './sentences/sentence'

const ENTERS = new Set(['type', 'choose', 'set', 'tick', 'untick', 'upload', 'clear'])
const lower = (text: string): string => (/^\p{Lu}\p{Ll}/u.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text)
const hasWords = (text: string, atLeast: number): boolean => text.split(/\s+/).filter((word) => /\p{L}/u.test(word)).length >= atLeast

/** Where an act took place as people call it: the dialog around it, or the page. */
function placeOfWork(act: Act, application: string): string {
  const dialog = act.element?.around.find((each) => each.kind === 'dialog' && each.name.trim() !== '')
  return dialog?.name ?? pageTitle(act.action.page, application)
}

const isPressed = ({ verb, element }: Act): boolean => verb === 'select' && (element?.role === 'button' || element?.role === 'menuitem')

/** Whether a press keeps what was entered, by what it does or says. */
function keeps(act: Act, language: SentenceLanguage): boolean {
  const { saves, sends, leaves } = PHRASES[language]
  const { words } = nameOf(act.element)
  return isPressed(act) && !leaves.test(words) && (act.element?.submits === true || saves.test(words) || sends.test(words))
}

/** The last press that kept something, after everything was entered. */
const savedLast = (acts: readonly Act[], language: SentenceLanguage): Act | undefined =>
  acts.slice(acts.findLastIndex((act) => ENTERS.has(act.verb)) + 1).findLast((act) => keeps(act, language))

/** The button that the work was done for: the last one that kept what was entered, by what it does or says; else the last that was pressed
 * after something was entered and that does not only lead away. */
function sender(acts: readonly Act[], language: SentenceLanguage): Act | undefined {
  const { leaves } = PHRASES[language]
  const last = savedLast(acts, language)
  if (last) return last
  const after = acts.slice(acts.findLastIndex((act) => ENTERS.has(act.verb)) + 1).filter(isPressed)
  const buttons = after.filter((act) => act.element?.role === 'button')
  const afterwards = buttons.findLast((act) => !leaves.test(nameOf(act.element).words)) ?? buttons.at(-1)
  return afterwards ?? acts.findLast((act) => keeps(act, language))
}

/** What the work was done for, from what the application calls it. */
function goalOf(acts: readonly Act[], application: string, language: SentenceLanguage): string {
  const send = sender(acts, language)
  const entered = acts.filter((act) => ENTERS.has(act.verb))
  const places = new Map<string, number>()
  for (const act of entered) {
    const place = placeOfWork(act, application)
    if (place !== '') places.set(place, (places.get(place) ?? 0) + 1)
  }
  const most = [...places].sort((a, b) => b[1] - a[1])[0]?.[0] ?? ''
  const sendPlace = send ? placeOfWork(send, application) : ''
  const button = nameOf(send?.element).words
  const tellsMore = hasWords(button, 2) && !/…$/.test(button) && !PHRASES[language].sends.test(button)
  for (const heading of tellsMore ? [] : [sendPlace, most])
    for (const [pattern, goal] of PHRASES[language].newThing) {
      const thing = pattern.exec(heading)?.[1]
      if (thing && entered.length > 0) return goal.replace('{thing}', goal.startsWith('{thing}') ? thing : lower(thing))
    }
  if (hasWords(button, 2) && !/…$/.test(button)) return button
  if (most !== '' && most !== application) return most
  const last = acts.findLast(
    (act) => act.element?.tag !== 'canvas' && ['select', 'open-link', 'open-menu', 'choose', 'tick', 'double-click'].includes(act.verb),
  )
  return nameOf(last?.element).words
}

/** A title for the guide from goal and application, such as “Enter a standing order in Order Book”. */
export function titleFor(acts: readonly Act[], language: SentenceLanguage): string {
  const { title } = PHRASES[language]
  const pages = acts.map((act) => act.action.page)
  const main = savedLast(acts, language)?.action.page ?? mainPage(acts)
  if (!main) return title.without
  const application = applicationName(main, pages)
  const goal = goalOf(acts, application, language)
  if (goal === '' || goal === application)
    return application === '' ? title.without : title.workIn.replace('{application}', () => application)
  return title.goalInApplication
    .replace('{goal}', () => goal)
    .replace('{application}', () => application)
    .slice(0, 300)
}

/** The page of the application in which most was entered. */
function mainPage(acts: readonly Act[]): Act['action']['page'] | undefined {
  const counts = new Map<string, { n: number; act: Act }>()
  for (const act of acts) {
    const key = act.action.page.application || act.action.page.address.split('/').slice(0, 3).join('/')
    const seen = counts.get(key) ?? { n: 0, act }
    counts.set(key, { n: seen.n + (ENTERS.has(act.verb) ? 2 : 1), act: ENTERS.has(act.verb) ? act : seen.act })
  }
  return [...counts.values()].sort((a, b) => b.n - a.n)[0]?.act.action.page
}
