import { stepsOf, type GuideDocument } from '../guides'
import { ALL_WAYS, WAYS, waysWhere, type Way } from '../ways'
import { doingOf, lacksOf, type Lack } from './doing'

const PLACES: ReadonlySet<Lack> = new Set(['no-picture', 'no-element'])

/** What every step lacks to be used in a way, by its id; steps that lack nothing are left out. */
export function lacksIn(document: GuideDocument, way: Way): Map<string, Lack[]> {
  const lacks = new Map<string, Lack[]>()
  const { stepNeeds, judged } = WAYS[way]
  if (stepNeeds === 'nothing') return lacks
  for (const step of stepsOf(document)) {
    const all = lacksOf(step, document, judged)
    const some = stepNeeds === 'a-place' ? all.filter((lack) => PLACES.has(lack)) : all
    if (some.length > 0) lacks.set(step.id, some)
  }
  return lacks
}

/** The ways in which a guide can be used. Watching and practising need a step with something to do on its pictures. */
export function waysOf(document: GuideDocument): readonly Way[] {
  const acts = stepsOf(document).some((step) => doingOf(step, document).kind !== 'nothing')
  return acts ? ALL_WAYS : waysWhere('needs', 'words')
}
