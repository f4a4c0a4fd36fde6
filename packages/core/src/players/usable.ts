import { stepsOf, type GuideDocument } from '../guides'
import { doingOf, lacksOf, type Lack } from './doing'
import type { Way } from './way'

/** What every step lacks to be used in a way, by its id; steps that lack nothing are left out. */
export function lacksIn(document: GuideDocument, way: Way): Map<string, Lack[]> {
  const lacks = new Map<string, Lack[]>()
  if (way === 'read') return lacks
  for (const step of stepsOf(document)) {
    const all = lacksOf(step, document, way === 'solo')
    // Watching needs no right entry: what is not known is not typed.
    const some = way === 'watch' ? all.filter((lack) => lack === 'no-picture' || lack === 'no-element') : all
    if (some.length > 0) lacks.set(step.id, some)
  }
  return lacks
}

/** The ways in which a guide can be used. Watching and practising need a step with something to do on its pictures. */
export function waysOf(document: GuideDocument): Way[] {
  const acts = stepsOf(document).some((step) => doingOf(step, document).kind !== 'nothing')
  return acts ? ['read', 'watch', 'practise', 'solo'] : ['read']
}
