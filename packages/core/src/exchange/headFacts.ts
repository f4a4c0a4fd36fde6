import { HEAD_FACTS, stepsOf, type HeadFact } from '../guides'
import type { HandoutGuide, Say } from './handout'

/** The facts of a guide's head that the company wants to be seen, as names and values; its number, and the edition with its day, in any case. */
export function headFacts({ number, edition, published, owner, minutes, document, look }: HandoutGuide, t: Say): [string, string][] {
  const facts: Record<HeadFact, [string, string]> = {
    edition: [t('Edition'), edition === null ? t('Draft, not published') : String(edition)],
    date: [t('Published'), published],
    owner: [t('Owner'), owner],
    minutes: [t('Takes about'), t('{{minutes}} min', { minutes })],
    steps: [t('Steps'), String(stepsOf(document).length)],
  }
  const always: ReadonlySet<HeadFact> = new Set(['edition', 'date'])
  const shown = HEAD_FACTS.filter((fact) => always.has(fact) || look.head.includes(fact)).map((fact) => facts[fact])
  const system = document.system ? [document.system.name, document.system.versions.join(', ')].join(' ').trim() : ''
  const all: [string, string][] = [[t('Guide'), String(number)], ...shown, [t('For'), system]]
  return all.filter(([, value]) => value !== '')
}
