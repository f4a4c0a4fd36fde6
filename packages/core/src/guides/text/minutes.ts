import { stepsOf, type GuideDocument, type Step } from '../document'
import { storedPicturesOf } from '../stepPicture'
import { countWords, plainText } from './plainText'

const WORDS_A_MINUTE = 200
const SECONDS_A_PICTURE = 12
const SECONDS_A_STEP = 5
const SECONDS_AN_ACTION = 8

/** Minutes that going through a guide takes: words of text, cautions and labels at 200 a minute (for readers in a second language;
 * M. Brysbaert, 2019, finds 238 for native readers of English), 12 seconds for a picture, 5 for turning to a step, 8 for an action on
 * screen to be understood.
 * @returns whole minutes, at least 1 */
export function minutesToRead(document: GuideDocument): number {
  const words = countWords(document.summary)
  const seconds = stepsOf(document).reduce((sum, step) => sum + secondsFor(step), (words * 60) / WORDS_A_MINUTE)
  return Math.max(1, Math.round(seconds / 60))
}

const known = new WeakMap<Step, number>()
/** Remembered for as long as the step is the same: it is asked for at every key that is typed. */
function secondsFor(step: Step): number {
  const before = known.get(step)
  if (before !== undefined) return before
  let words = countWords(plainText(step.body))
  for (const caution of step.cautions ?? []) words += countWords(caution.words)
  let seconds = SECONDS_A_STEP + (step.action ? SECONDS_AN_ACTION : 0)
  for (const picture of step.pictures) {
    seconds += storedPicturesOf(picture).length * SECONDS_A_PICTURE
    for (const annotation of picture.annotations ?? [])
      if (annotation.kind === 'label' || annotation.kind === 'text') words += countWords(annotation.words)
  }
  seconds += (words * 60) / WORDS_A_MINUTE
  known.set(step, seconds)
  return seconds
}
