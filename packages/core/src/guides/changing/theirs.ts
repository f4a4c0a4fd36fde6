import { targetsOf, type Change, type TargetKind } from './changes'
import type { GuideDocument, GuideItem } from '../document'

/** The facts about a guide that a change can set. */
export type FactName = keyof Extract<Change, { type: 'set-facts' }>['facts']
/** A fact as it stands in the guide. */
export type FactNow =
  { [F in FactName]: { kind: 'fact'; fact: F; value: GuideDocument[F] } }[FactName] | { kind: 'fact'; fact: 'silenced'; value: boolean }
/** What stands in the place of a change that was refused: a step or section, a fact, or `null` when it is gone. */
export type Theirs = GuideItem | FactNow | null

type Now = { document: GuideDocument; item: (id: string) => GuideItem | undefined }
const inItem = ({ item }: Now, id: string): Theirs => item(id) ?? null
const inPartOf = (now: Now, rest: string): Theirs => inItem(now, rest.split(':')[0]!)
const FACTS: { [F in FactName]: (document: GuideDocument) => FactNow } = {
  title: (document) => ({ kind: 'fact', fact: 'title', value: document.title }),
  summary: (document) => ({ kind: 'fact', fact: 'summary', value: document.summary }),
  kind: (document) => ({ kind: 'fact', fact: 'kind', value: document.kind }),
  confirmSteps: (document) => ({ kind: 'fact', fact: 'confirmSteps', value: document.confirmSteps }),
  look: (document) => ({ kind: 'fact', fact: 'look', value: document.look }),
  signs: (document) => ({ kind: 'fact', fact: 'signs', value: document.signs }),
  solo: (document) => ({ kind: 'fact', fact: 'solo', value: document.solo }),
}

/** How what stands at a target is found, for every kind of target. `rest` is what follows the kind in its name. */
const AT: Record<TargetKind, (now: Now, rest: string) => Theirs> = {
  fact: ({ document }, fact) => FACTS[fact as FactName](document),
  silence: ({ document }, finding) => ({ kind: 'fact', fact: 'silenced', value: document.silenced.includes(finding) }),
  item: inItem,
  title: inItem,
  body: inItem,
  action: inItem,
  check: inItem,
  element: inItem,
  optional: inItem,
  exercise: inItem,
  flow: inItem,
  cautions: inItem,
  signs: inItem,
  lineage: inItem,
  ready: inItem,
  alt: inPartOf,
  annotation: inPartOf,
  shown: inPartOf,
  sheet: inPartOf,
}

/** Finds what stands at the targets of conflicts in a document.
 * @returns a function of a target, as `targetsOf` names it, or `item:` and an id */
export function theirsIn(document: GuideDocument): (target: string) => Theirs {
  const items = new Map(document.items.map((item) => [item.id as string, item]))
  const now: Now = { document, item: (id) => items.get(id) }
  return (target) => {
    const colon = target.indexOf(':')
    return AT[target.slice(0, colon) as TargetKind](now, target.slice(colon + 1))
  }
}

/** A change of several facts as one change for each, so that each is judged for itself; other changes as they are. */
export const singleFacts = (change: Change): Change[] =>
  change.type !== 'set-facts' || targetsOf(change).length < 2
    ? [change]
    : Object.entries(change.facts).map(([fact, value]): Change => ({ type: 'set-facts', facts: { [fact]: value } }))
