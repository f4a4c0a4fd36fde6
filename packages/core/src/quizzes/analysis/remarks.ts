import type { QuestionFigures } from './analyse'
import type { Reliability } from './reliability'

/** Fewer than so many answers say nothing about a question. */
const FEW_ANSWERS = 10
/** With fewer than so many who were right, or who were not, it says nothing whether those did well elsewhere. */
const FEW_ON_A_SIDE = 3
/** From here on getting a question right goes along with doing well elsewhere (R. Ebel, Measuring educational achievement, 1965: below 0.2 a question
 * should be put right or left out). */
const GOES_ALONG = 0.2
/** Below this it goes the other way. */
const GOES_AGAINST = -0.05
const HARD = 0.35
const EASY = 0.95

/** How a question stands, and a sentence for its author. `into`: what goes into the places of the words. */
export type FigureRemark = {
  /** `look`: something is to be looked at; `good`: nothing is; `unknown`: it is too early to say. */
  tone: 'look' | 'good' | 'unknown'
  words: string
  into: Record<string, string | number>
}

/** A sentence on the figures of a question.
 * @param right the choice that is right, as it is counted; `null` where there is no single one */
export function remarkOn(figures: QuestionFigures, right: string | null): FigureRemark {
  const { asked, right: count, discrimination, difficulty, choices } = figures
  const into = { right: count, asked }
  const say = (tone: FigureRemark['tone'], words: string): FigureRemark => ({ tone, words, into })
  if (asked < FEW_ANSWERS) return say('unknown', '{{right}} of {{asked}} got this right: too few answers to say more.')
  if (count === asked) return say('look', 'All {{asked}} got this right: it does not show who can do it. Make it harder, or leave it out.')
  if (count === 0) return say('look', 'None of {{asked}} got this right: look at the key, or at what was taught.')
  if (Math.min(count, asked - count) < FEW_ON_A_SIDE)
    return count < asked / 2
      ? say('look', 'Only {{right}} of {{asked}} got this right: look at the wording, or at what was taught.')
      : say('good', '{{right}} of {{asked}} got this right: easy for nearly everybody.')
  if (discrimination !== null && discrimination < GOES_AGAINST)
    return say(
      'look',
      '{{right}} of {{asked}} got this right, and people who did well elsewhere got it wrong: look at the wording, and at the key.',
    )
  const [most] = choices
  if (right !== null && most && most.choice !== right && difficulty < 0.5)
    return say('look', '{{right}} of {{asked}} got this right, and more chose one and the same wrong answer: something speaks for it.')
  if (discrimination !== null && discrimination < GOES_ALONG && difficulty < EASY)
    return say('look', '{{right}} of {{asked}} got this right, and it has little to do with how well people do elsewhere.')
  if (difficulty < HARD)
    return say(
      'look',
      'Only {{right}} of {{asked}} got this right, mostly those who did well elsewhere: it is hard, and it tells them apart.',
    )
  if (difficulty >= EASY) return say('good', '{{right}} of {{asked}} got this right: easy for nearly everybody.')
  return say('good', '{{right}} of {{asked}} got this right, mostly those who did well elsewhere.')
}

/** A sentence on the reliability of a quiz. Bounds: J. Nunnally, Psychometric theory, 1978. */
export function remarkOnReliability(reliability: Reliability): FigureRemark {
  const say = (tone: FigureRemark['tone'], words: string): FigureRemark => ({ tone, words, into: {} })
  if (!reliability.known)
    return say(
      'unknown',
      {
        'other-questions': 'Attempts have had different questions; then there is no such figure.',
        'one-question': 'With one question there is no such figure.',
        'few-attempts': 'There are too few attempts for it.',
        'no-spread': 'Everybody has the same result; then there is no such figure.',
      }[reliability.why],
    )
  if (reliability.attempts < FEW_ANSWERS * 3) return say('unknown', 'From few attempts: take it as a first hint.')
  if (reliability.value >= 0.8) return say('good', 'The questions measure the same: results would be much alike another time.')
  if (reliability.value >= 0.6) return say('good', 'Enough for a short quiz; more questions would make it surer.')
  return say(
    'look',
    'The questions measure different things, or there are few of them: somebody near the pass mark could land on either side.',
  )
}
