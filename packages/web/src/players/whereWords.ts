import { nth } from '@jackdaw/core/shared'
import { stepName, stepsOf, type Step } from '@jackdaw/core/guides'
import { numberAt, type Script } from '@jackdaw/core/flow'
import { sectionOf } from '@jackdaw/core/players'
import type { Texts } from '../ui/words/texts'
import type { UsedGuide } from './used'

/** Where one is, in words. @param at place in the script */
export function whereWords(t: Texts['t'], guide: UsedGuide, step: Step, script: Script, at: number): string {
  const section = sectionOf(guide.document, step)
  const [n, of] = [numberAt(script, at), numberAt(script, script.steps.length)]
  return `${t('Step {{n}} of {{of}}', { n, of })}${section ? ` · ${section}` : ''}`
}

/** What a step is called, with its number. */
export const numbered = (guide: UsedGuide, id: string): string => {
  const steps = stepsOf(guide.document)
  const at = steps.findIndex((step) => step.id === id)
  return at < 0 ? '' : `${at + 1}. ${stepName(nth(steps, at))}`
}
