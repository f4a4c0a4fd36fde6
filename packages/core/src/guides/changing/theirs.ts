import { byId } from '../../shared'
import type { GuideDocument, GuideItem } from '../document'
import { factOf, type FactName, type GuideFacts } from '../guideFacts'
import type { TargetKind } from './changeKinds'

/** A fact as it stands in the guide. */
export type FactNow =
  { [F in FactName]: { kind: 'fact'; fact: F; value: GuideFacts[F] } }[FactName] | { kind: 'fact'; fact: 'silenced'; value: boolean }
/** What stands in the place of a change that was refused: a step or section, a fact, or `null` when it is gone. */
export type Theirs = GuideItem | FactNow | null

type Now = { document: GuideDocument; item: (id: string) => GuideItem | undefined }
const inItem = ({ item }: Now, id: string): Theirs => item(id) ?? null
const inPartOf = (now: Now, rest: string): Theirs => inItem(now, rest.split(':', 1).join(''))

/** How what stands at a target is found, for every kind of target. `rest` is what follows the kind in its name. */
const AT: Record<TargetKind, (now: Now, rest: string) => Theirs> = {
  fact: ({ document }, fact) => ({ kind: 'fact', fact, value: factOf(document, fact as FactName) }) as FactNow,
  silence: ({ document }, finding) => ({ kind: 'fact', fact: 'silenced', value: document.silenced.includes(finding) }),
  item: inItem,
  title: inItem,
  optional: inItem,
  quiz: inItem,
  ready: inItem,
  alt: inPartOf,
  annotation: inPartOf,
  shown: inPartOf,
  sheet: inPartOf,
  body: inItem,
  action: inItem,
  element: inItem,
  check: inItem,
  cautions: inItem,
  signs: inItem,
  exercise: inItem,
  flow: inItem,
  combinedFrom: inItem,
}

/** Finds what stands at the targets of conflicts in a document.
 * @returns a function of a target, as `targetsOf` names it, or `item:` and an id */
export function theirsIn(document: GuideDocument): (target: string) => Theirs {
  const items = byId(document.items)
  const now: Now = { document, item: (id) => items.get(id) }
  return (target) => {
    const colon = target.indexOf(':')
    return AT[target.slice(0, colon) as TargetKind](now, target.slice(colon + 1))
  }
}
