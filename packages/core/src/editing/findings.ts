import { straysOf } from '../annotations'
import {
  countWords,
  elementOf,
  isSafeLink,
  plainText,
  readGuideLink,
  stepsOf,
  type Block,
  type GuideDocument,
  type Inline,
  type Step,
} from '../guides'
import { instructionsIn, lix, proseRulesFor } from './proseRules'

/** What can be found about a guide while it is written. */
export const WRITING_REASONS = [
  'long-step',
  'several-actions',
  'picture-missing',
  'no-description',
  'no-frame',
  'lost-annotation',
  'stray-style',
  'dead-link',
  'acronym',
  'hard-to-read',
  'passive',
] as const
/** Why a finding was made. */
export type WritingReason = (typeof WRITING_REASONS)[number]

/** Something an author may want to mend. `about` is the word, number or address concerned; `key` silences it. */
export type WritingFinding = { reason: WritingReason; stepId: string; about: string; key: string; silenced: boolean }

const LONG_FROM_WORDS = 70
const SEVERAL_FROM = 3
const HARD_AT_LEAST_WORDS = 15
/** Letters that everybody knows, and those that are no acronyms. */
const KNOWN_LETTERS = new Set('OK PDF USB ID PIN CEO TV PC UK EU USA QR FAQ AM PM SMS CD DVD GPS URL WWW HTML CSV ISO IBAN'.split(' '))
const ACRONYM = /(?<![\p{L}\p{N}])\p{Lu}{2,6}(?![\p{L}\p{N}])/gu

function inlinesOf(blocks: readonly Block[]): Inline[] {
  return blocks.flatMap((block): Inline[] => {
    if (block.type === 'paragraph') return block.content ?? []
    if (block.type === 'codeBlock') return []
    if (block.type === 'table') return block.content.flatMap((row) => row.content.flatMap((cell) => inlinesOf(cell.content)))
    return block.content.flatMap((item) => inlinesOf(item.content))
  })
}
const isKeyOrCode = (node: Inline): boolean =>
  node.type === 'text' && (node.marks ?? []).some((mark) => mark.type === 'code' || mark.type === 'keyCap')

/** The words of a text without codes and keys: those are no prose. Remembered for as long as the step is the same. */
const prose = new WeakMap<Step, string>()
function proseOf(step: Step): string {
  let text = prose.get(step)
  if (text === undefined) {
    const without = (nodes: readonly Inline[] | undefined) => (nodes ?? []).filter((node) => !isKeyOrCode(node))
    const strip = (blocks: readonly Block[]): Block[] =>
      blocks.flatMap((block): Block[] => {
        if (block.type === 'codeBlock') return []
        if (block.type === 'paragraph') return [{ ...block, content: without(block.content) }]
        if (block.type === 'table')
          return [
            {
              ...block,
              content: block.content.map((row) => ({
                ...row,
                content: row.content.map((cell) => ({ ...cell, content: strip(cell.content) })),
              })),
            },
          ]
        return [{ ...block, content: block.content.map((item) => ({ ...item, content: strip(item.content) })) }]
      })
    text = plainText({ type: 'doc', content: strip(step.body.content) })
    prose.set(step, text)
  }
  return text
}
const links = new WeakMap<Step, string[]>()
function linksIn(step: Step): string[] {
  let found = links.get(step)
  if (!found) links.set(step, (found = findLinks(step)))
  return found
}
const findLinks = (step: Step): string[] =>
  inlinesOf(step.body.content).flatMap((node) =>
    node.type === 'text' ? (node.marks ?? []).flatMap((mark) => (mark.type === 'link' ? [mark.attrs.href] : [])) : [],
  )

/** Whether an address cannot lead anywhere, as far as that shows without asking a network. */
export function isBroken(href: string): boolean {
  if (!isSafeLink(href)) return true
  if (readGuideLink(href)) return false
  if (/^mailto:/i.test(href)) return !/^mailto:[^@\s]+@[^@\s]+\.[^@\s.]{2,}/i.test(href)
  if (/^tel:/i.test(href)) return !/\d{3}/.test(href.replaceAll(/[\s()-]/g, ''))
  const host = /^https?:\/\/([^/?#:]*)/i.exec(href)?.[1] ?? ''
  return host === '' || (!host.includes('.') && host !== 'localhost') || /\.\.|^\.|\.$|[^\p{L}\p{N}.-]/u.test(host)
}

type Raw = [reason: WritingReason, about: string]
const ofStep = new WeakMap<Step, { key: string; raw: Raw[] }>()

/** What is found in a step by itself; remembered for as long as the step is the same. */
function findingsOfStep(step: Step, language: string, asksForPictures: boolean): Raw[] {
  const key = `${language} ${asksForPictures}`
  const known = ofStep.get(step)
  if (known?.key === key) return known.raw
  const raw: Raw[] = []
  const text = proseOf(step)
  const words = countWords(text)
  const rules = proseRulesFor(language)
  if (words > LONG_FROM_WORDS) raw.push(['long-step', String(words)])
  if (rules) {
    const actions = instructionsIn(text, rules)
    if (actions >= SEVERAL_FROM) raw.push(['several-actions', String(actions)])
    const index = Math.round(lix(text))
    if (words >= HARD_AT_LEAST_WORDS && index >= rules.hardFrom) raw.push(['hard-to-read', String(index)])
    const passive = rules.passive.exec(text)?.[0]
    if (passive) raw.push(['passive', passive.slice(0, 60)])
  }
  if (asksForPictures && step.pictures.length === 0 && words > 0 && couldBeShown(step, rules?.things.test(text) === true))
    raw.push(['picture-missing', ''])
  if (step.pictures.some((picture) => picture.alt.trim() === '')) raw.push(['no-description', ''])
  const element = elementOf(step)
  const acted = step.pictures.find((picture) => picture.id === element?.pictureId)
  if (acted && !acted.annotations?.some((each) => each.kind === 'frame')) raw.push(['no-frame', ''])
  if (step.pictures.some((picture) => picture.annotations?.some((each) => hasLost(each, step, picture.id))))
    raw.push(['lost-annotation', ''])
  for (const href of linksIn(step)) if (isBroken(href)) raw.push(['dead-link', href.slice(0, 60)])
  ofStep.set(step, { key, raw })
  return raw
}

/** Verbs of the browser itself and of the keyboard: there is nothing to point at. */
const NOT_SHOWN = new Set(['open', 'back', 'forward', 'reload', 'switch-tab', 'press'])
/** Whether a picture would help: something is done to an element on a screen or a machine. "Thank the caller" needs none. */
const couldBeShown = (step: Step, speaksOfThings: boolean): boolean =>
  step.action ? !NOT_SHOWN.has(step.action.verb) : step.element !== undefined || speaksOfThings

type Drawn = NonNullable<Step['pictures'][number]['annotations']>[number]
/** Whether an annotation is attached to an element that this picture does not show. */
function hasLost(annotation: Drawn, step: Step, pictureId: string): boolean {
  const attached = Object.values(annotation).flatMap((part) =>
    typeof part === 'object' && part !== null && 'to' in part ? [String(part.to)] : [],
  )
  const here = { element: elementOf(step), onto: step.action?.onto }
  return attached.some((to) => (to === 'element' || to === 'onto') && here[to]?.pictureId !== pictureId)
}

/** What an author may want to mend in a guide, in the order of its steps.
 * @param deadLinks addresses in this Jackdaw that lead to nothing, as the server has told
 * @returns also what was silenced, marked so */
export function writingFindings(document: GuideDocument, deadLinks: ReadonlySet<string> = new Set()): WritingFinding[] {
  const silenced = new Set(document.silenced)
  const found: WritingFinding[] = []
  const add = (reason: WritingReason, stepId: string, about: string) => {
    const key = reason === 'acronym' || reason === 'dead-link' ? `${reason}:${stepId}:${about}`.slice(0, 100) : `${reason}:${stepId}`
    found.push({ reason, stepId, about, key, silenced: silenced.has(key) })
  }
  const asksForPictures = document.kind === 'how-to' || document.kind === 'work-instruction'
  const steps = stepsOf(document)
  const strays = new Map<string, number>()
  for (const stray of straysOf(document)) strays.set(stray.stepId, (strays.get(stray.stepId) ?? 0) + 1)
  const everything = [document.summary, ...steps.map(proseOf)].join('\n')
  const told = new Set<string>()
  for (const step of steps) {
    for (const [reason, about] of findingsOfStep(step, document.language, asksForPictures)) add(reason, step.id, about)
    for (const href of linksIn(step)) if (deadLinks.has(href)) add('dead-link', step.id, href.slice(0, 60))
    if (strays.has(step.id)) add('stray-style', step.id, String(strays.get(step.id)))
    for (const [acronym] of proseOf(step).matchAll(ACRONYM)) {
      if (told.has(acronym) || KNOWN_LETTERS.has(acronym)) continue
      told.add(acronym)
      if (!isExplained(acronym, everything)) add('acronym', step.id, acronym)
    }
  }
  return found
}

/** Explained is what stands in brackets behind its long form, or has its long form in brackets behind it. */
function isExplained(acronym: string, text: string): boolean {
  return new RegExp(
    `\\(${acronym}\\)|(?<![\\p{L}\\p{N}])${acronym}\\s*(?:\\(|[–—-] |, (?:short for|kurz für|abreviatura de|skrót od))`,
    'u',
  ).test(text)
}

/** All addresses to which a guide leads. */
export const linksOf = (document: GuideDocument): string[] => [...new Set(stepsOf(document).flatMap(linksIn))]
