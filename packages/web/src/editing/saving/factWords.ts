import { keysOf } from '@jackdaw/core/shared'
import type { DraftConflict } from '@jackdaw/contracts/guides'
import type { ChangeOf, GuideLook, GuideSystem, SoloRules } from '@jackdaw/core/guides'
import { kindName } from '../../guides/kindName'

type T = (words: string, values?: Record<string, unknown>) => string
type FactNow = Extract<NonNullable<DraftConflict['theirs']>, { kind: 'fact' }>
type Facts = ChangeOf<'set-facts'>['facts']

const solo = ({ task, passMark, triesPerStep, attempts }: SoloRules, t: T): string =>
  [
    t('Pass mark {{percent}} %', { percent: passMark }),
    triesPerStep === 0 ? t('as many tries at a step as it takes') : t('{{count}} tries at a step', { count: triesPerStep }),
    attempts === 0 ? t('as many attempts as one likes') : t('{{count}} attempts', { count: attempts }),
    ...(task === '' ? [] : [t('Task: {{task}}', { task })]),
  ].join(' · ')
const look = (value: GuideLook, t: T): string => {
  const parts = Object.entries(value).filter(([, each]) => each !== undefined)
  return parts.length === 0
    ? t('The company’s look')
    : parts.map(([part, each]) => (part === 'logo' ? t('a logo') : `${part} ${String(each)}`)).join(' · ')
}
const system = ({ name, versions, addresses }: GuideSystem, t: T): string =>
  name === '' ? t('No system') : [[name, ...versions].join(' '), ...addresses].join(' · ')
const yesNo = (value: boolean, t: T): string => (value ? t('Yes') : t('No'))

const WORDS: { [F in keyof Facts]-?: (value: NonNullable<Facts[F]>, t: T) => string } = {
  title: (value) => value,
  summary: (value) => value,
  kind: (value, t) => kindName(value, t),
  confirmSteps: (value, t) => yesNo(value, t),
  signs: (value, t) => (value.length === 0 ? t('No signs') : value.join(', ')),
  look,
  solo,
  closing: (value) => value,
  system,
}

/** Facts that a change sets, in words. */
export const factWords = (facts: Facts, t: T): string =>
  keysOf(WORDS)
    .flatMap((fact) => (facts[fact] === undefined ? [] : [(WORDS[fact] as (value: unknown, t: T) => string)(facts[fact], t)]))
    .join(' · ')

/** A fact as it stands in the guide, in words. */
export function factNowWords(now: FactNow, t: T): string {
  return now.fact === 'silenced' ? (now.value ? t('Not shown') : t('Shown')) : factWords({ [now.fact]: now.value }, t)
}
