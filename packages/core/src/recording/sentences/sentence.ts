import type { Block, Inline, Mark } from '../../guides'
import { isSafeLink } from '../../guides'
import type { Act } from '../act'
import { isEditable } from '../act'
import { hostOf } from '../address'
import { nameOf } from '../nameOf'
import { placeOf } from '../place'
import type { ElementSeen, RawAction, SentenceLanguage } from '../rawAction'
import { de } from './de'
import { en } from './en'
import { es } from './es'
import type { Phrases, Thing } from './phrases'
import { pl } from './pl'

/** The phrases of each language. A new language is one more entry. */
export const PHRASES: Record<SentenceLanguage, Phrases> = { en, pl, es, de }

type Fill = { [slot: string]: Inline[] | undefined }
const run = (text: string, ...marks: Mark[]): Inline[] =>
  text === '' ? [] : [{ type: 'text', text, ...(marks.length > 0 ? { marks } : {}) }]
const bold = (text: string): Inline[] => run(text, { type: 'bold' })

/** A template with its slots filled; neighbouring plain runs become one. */
function filled(template: string, fill: Fill): Inline[] {
  const pieces = template.split(/(\{\w+\})/).flatMap((piece) => (/^\{\w+\}$/.test(piece) ? (fill[piece.slice(1, -1)] ?? []) : run(piece)))
  return pieces.reduce<Inline[]>((joined, piece) => {
    const last = joined.at(-1)
    if (last?.type === 'text' && piece.type === 'text' && !last.marks && !piece.marks) last.text += piece.text
    else joined.push({ ...piece })
    return joined
  }, [])
}

const ROLE_THINGS: Record<string, Thing> = {
  link: 'link',
  checkbox: 'box',
  radio: 'box',
  switch: 'box',
  img: 'picture',
  row: 'row',
  textbox: 'field',
  searchbox: 'field',
  combobox: 'field',
  spinbutton: 'field',
  listbox: 'field',
  password: 'field',
}

/** What a nameless element is: by its role, small buttons being icons. */
function thingOf(element: ElementSeen): Thing {
  if (element.role === 'button' || element.role === 'menuitem')
    return element.rect.width <= 60 && element.rect.height <= 60 ? 'icon' : 'button'
  if (element.tag === 'svg' || (element.tag === 'img' && element.rect.width <= 60)) return 'icon'
  const known = ROLE_THINGS[element.role]
  if (known) return known
  const { width, height } = element.rect
  return Math.max(width, height) <= 48 && Math.max(width, height) < 1.3 * Math.min(width, height) ? 'icon' : 'area'
}

/** The element as a sentence names it: its name in bold, or what and where it is. */
function named(element: ElementSeen | undefined, action: RawAction, phrases: Phrases): Inline[] {
  const { words } = nameOf(element)
  if (words !== '') return bold(words)
  if (!element) return run(phrases.things.area)
  const bare = run(phrases.things[thingOf(element)])
  const thing = element.glyph ? filled(phrases.nameless.withGlyph, { thing: bare, glyph: run(phrases.glyphs[element.glyph]) }) : bare
  if (element.nearby) return filled(phrases.nameless.nextTo, { thing, nearby: bold(element.nearby) })
  return filled(phrases.nameless.inPlace, { thing, place: run(phrases.places[placeOf(element.rect, action.window)]) })
}

function keyCaps(key: string, phrases: Phrases): Inline[] {
  const caps = key.split('+').map((each) => phrases.keys[each] ?? each)
  return caps.flatMap((cap, i) => [...(i > 0 ? run('+') : []), ...run(cap, { type: 'keyCap' })])
}

/** The page by what people call it; its address behind it as a link, when it is one that may be opened. */
function pageName({ page }: RawAction, application: string): Inline[] {
  const name = application || hostOf(page.address) || page.address
  return isSafeLink(page.address) ? run(name, { type: 'bold' }, { type: 'link', attrs: { href: page.address } }) : bold(name)
}

/** A place in a drawing that is known to the point. */
const isDrawn = ({ element, action }: Act): boolean => element?.tag === 'canvas' && action.point !== undefined

/** Where in its drawing the pointer was. */
function placeInDrawing({ element, action }: Act, phrases: Phrases): Inline[] {
  const { point } = action
  if (!element || !point) return []
  const { x, y, width, height } = element.rect
  return run(phrases.places[placeOf({ x: point.x - x, y: point.y - y, width: 0, height: 0 }, { width, height })])
}

/** Which template says it: the most special one that the language has. */
function templateOf(act: Act, phrases: Phrases): string {
  const { verb, element, value, hidden, list } = act
  const { templates } = phrases
  if (verb === 'select' && isDrawn(act)) return templates[nameOf(element).words === '' ? 'select.drawing.alone' : 'select.drawing']!
  if (verb === 'drag' && act.action.put) return templates[`drag.${act.action.put}`]!
  const role = isEditable(element) ? 'textbox' : element?.tag === 'canvas' ? 'canvas' : (element?.role ?? '')
  const special = (key: string) => templates[`${verb}.${key}`]
  if (verb === 'type' && value === undefined) return special('hidden') ?? templates.type
  if (verb === 'choose') {
    if (value === undefined) return special('hidden') ?? templates.choose
    return nameOf(list).words === '' ? (special('alone') ?? templates.choose) : templates.choose
  }
  if (verb === 'set' && value === undefined) return special('hidden') ?? templates.set
  if (verb === 'upload' && value && hidden === undefined) return special('value') ?? templates.upload
  if (verb === 'press' && isEditable(element) && nameOf(element).words !== '') return special('field') ?? templates.press
  return special(role) ?? templates[verb]
}

/** Which of several alike: the row or group that tells it. */
function whichOne(act: Act, phrases: Phrases): Inline[] {
  const { element } = act
  const byName = element?.locators.find((locator) => locator.kind === 'role-name')
  const around = element?.around.find((each) => (each.kind === 'row' || each.kind === 'group') && each.name.trim() !== '')
  const inContext = element?.locators.find((locator) => locator.kind === 'role-name-context')
  if (!around || !/[\p{L}\p{N}]/u.test(around.name) || byName?.unique !== false || inContext?.unique !== true) return []
  return filled(around.kind === 'row' ? phrases.inRow : phrases.inGroup, { row: bold(around.name) })
}

/** The instruction for an act, as one paragraph.
 * @param application what the application is called in which it takes place */
export function sentenceFor(act: Act, language: SentenceLanguage, application: string): Block {
  const phrases = PHRASES[language]
  const { action, hidden, value, key, list } = act
  const chosen = act.verb === 'choose'
  const element = chosen ? (list ?? act.element) : act.element
  const main = filled(templateOf(act, phrases), {
    name: [...named(element, action, phrases), ...whichOne(act, phrases)],
    value: chosen ? bold(value ?? '') : run(value ?? '', { type: 'code' }),
    what: run(phrases.hidden[hidden ?? 'value'] ?? phrases.hidden.value ?? ''),
    key: keyCaps(key ?? '', phrases),
    onto: named(act.onto, action, phrases),
    page: pageName(action, application),
    place: placeInDrawing(act, phrases),
  })
  const before = [act.waitFirst ? phrases.waitFirst : '', act.scrollFirst ? phrases.scrollFirst[act.scrollFirst] : ''].filter(
    (each) => each !== '',
  )
  return { type: 'paragraph', content: filled('{before}{main}', { before: run(before.map((each) => `${each} `).join('')), main }) }
}
