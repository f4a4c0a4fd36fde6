import { stepsOf, type Accept, type Condition, type GuideQuiz, type Step, type Target } from '../guides'
import type { StepId } from '../shared'
import type { HandoutGuide, Say } from './handout'

/** Where a way on leads: a step with its number, the next one, or the end. */
export type OnwardTo = { stepId: StepId; n: number } | 'next' | 'end'
/** How it goes on after a step, in words: what is asked, and the ways with where they lead. */
export type OnwardWords = { ask: string; ways: { words: string; to: OnwardTo }[] }

function acceptWords(accept: Accept, t: Say): string {
  switch (accept.how) {
    case 'exact':
    case 'same':
    case 'without-blanks':
      return accept.value
    case 'pattern':
      return accept.pattern
    case 'one-of':
      return accept.values.join(', ')
    case 'date':
      return accept.date
    case 'range':
      return t('{{least}} to {{most}}', { least: accept.least ?? '…', most: accept.most ?? '…' })
    case 'anything':
      return t('anything')
  }
}

const numbersOf = (guide: Pick<HandoutGuide, 'document'>): Map<string, number> =>
  new Map(stepsOf(guide.document).map((step, n) => [step.id, n + 1]))

/** A condition, as the beginning of a sentence. */
function conditionWords(when: Condition, guide: HandoutGuide, t: Say): string {
  if (when.of === 'value') {
    const into = { value: acceptWords(when.accept, t), n: numbersOf(guide).get(when.stepId) ?? '?' }
    return when.not ? t('If “{{value}}” was not entered at step {{n}}', into) : t('If “{{value}}” was entered at step {{n}}', into)
  }
  const groups = when.ids.map((id) => guide.groups[id] ?? '?').join(', ')
  return when.not ? t('Not for: {{groups}}', { groups }) : t('For: {{groups}}', { groups })
}

function leadsTo(to: Target, guide: HandoutGuide): OnwardTo {
  if (to === 'next') return 'next'
  if (to === 'end') return 'end'
  const n = numbersOf(guide).get(to)
  return n === undefined ? 'next' : { stepId: to, n }
}

/** How it goes on after a step that branches; `null` where simply the next one follows. */
export function onwardWords(step: Step, guide: HandoutGuide, t: Say): OnwardWords | null {
  const { choices = [], rules = [], ask = '' } = step.flow ?? {}
  if (choices.length > 0)
    return { ask: ask || t('How does it go on?'), ways: choices.map(({ words, to }) => ({ words, to: leadsTo(to, guide) })) }
  if (rules.length === 0) return null
  const ways = rules.map(({ when, to }) => ({ words: conditionWords(when, guide, t), to: leadsTo(to, guide) }))
  return { ask: t('How it goes on'), ways: [...ways, { words: t('Otherwise'), to: 'next' }] }
}

/** When a step is passed over; empty for one that never is. */
export const skippedWords = (step: Step, guide: HandoutGuide, t: Say): string =>
  step.flow?.skipWhen ? t('{{condition}}: pass this step over', { condition: conditionWords(step.flow.skipWhen, guide, t) }) : ''

/** Where a way leads, in words. @param page of the step on paper; empty where there is none */
export function onwardToWords(to: OnwardTo, t: Say, page = ''): string {
  if (to === 'next') return t('go on with the next step')
  if (to === 'end') return t('this is the end')
  return page === '' ? t('go on at step {{n}}', { n: to.n }) : t('go on at step {{n}}, page {{page}}', { n: to.n, page })
}

/** What is asked of a quiz among the steps. */
export function quizWords(quiz: GuideQuiz, guide: HandoutGuide, t: Say): string {
  const title = guide.quizzes[quiz.quizId] ?? '?'
  switch (quiz.need) {
    case 'nothing':
      return t('Quiz: {{title}}', { title })
    case 'handed-in':
      return t('Quiz: {{title}}. Hand it in before you go on.', { title })
    case 'passed':
      return t('Quiz: {{title}}. Pass it before you go on.', { title })
  }
}
