import type { AudienceSurvey } from '@jackdaw/contracts/audienceSurveys'
import { dayAndYearOf, whenOf } from '../../ui'
import type { Texts } from '../../ui/words/texts'

/** Whether a survey can still be answered, in words: until when, or since when not. */
export function stateWords(t: Texts['t'], { endedAt, over, until }: Pick<AudienceSurvey, 'endedAt' | 'over' | 'until'>): string {
  if (endedAt !== null) return t('ended {{when}}', { when: whenOf(endedAt) })
  if (until === null) return t('goes on')
  return over ? t('was open until {{day}}', { day: dayAndYearOf(until) }) : t('until {{day}}', { day: dayAndYearOf(until) })
}
