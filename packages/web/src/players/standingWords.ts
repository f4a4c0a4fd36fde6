import type { QuizAmongSteps } from '@jackdaw/contracts/reading'
import type { Texts } from '../ui/words/texts'

/** What is needed of a quiz among the steps, and how far its reader is with it, in words. */
export function standingWords(t: Texts['t'], { need, standing, settled, there }: QuizAmongSteps): string {
  if (!there) return t('This quiz is not there any more. You can go on.')
  if (standing === 'passed') return t('You have passed it. You can go on.')
  if (need === 'nothing') return t('You can take it, or go on without.')
  if (settled) return t('You have handed it in. You can go on.')
  if (standing === 'waits') return t('A person judges your answers. It goes on here once you have passed; you are told.')
  return need === 'passed' ? t('It goes on here once you have passed it.') : t('It goes on here once you have handed it in.')
}
