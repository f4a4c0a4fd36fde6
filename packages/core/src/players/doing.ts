import {
  elementOf,
  plainText,
  type Accept,
  type GuideDocument,
  type Rect,
  type SoloRules,
  type Step,
  type StepElement,
  type StepPicture,
} from '../guides'
import { shownEntry } from '../flow'

/** An element on a picture: where it and its labels stand, in pixels of the stored picture, and what it is called. */
export type Spot = { pictureId: string; rect: Rect; role: string; name: string; labels: readonly Rect[] }

/** How something is clicked. */
export type Click = 'once' | 'double' | 'right'

/** What a person does at a step. `nothing`: they read it and go on. */
export type Doing =
  | { kind: 'nothing' }
  | { kind: 'click'; how: Click; on: Spot }
  | { kind: 'enter'; on: Spot; accept: Accept; options: string[] | null; message: string }
  | { kind: 'drag'; on: Spot; onto: Spot }
  | { kind: 'keys'; keys: string }
  | { kind: 'several'; spots: (Spot & { id: string })[] }
  | { kind: 'pop-up'; title: string; words: string; buttons: { id: string; words: string; right: boolean }[] }

/** What a step lacks to be used in a way. */
export type Lack = 'no-picture' | 'no-element' | 'no-accepted-value' | 'no-words-for-value' | 'no-right-button' | 'no-key'

const spotOf = ({ pictureId, rect, role, name, labels }: StepElement): Spot => ({
  pictureId,
  rect,
  role,
  name,
  labels: labels ?? wordsBeside(rect, role, name),
})

const TICKED = new Set(['checkbox', 'radio', 'switch', 'menuitemcheckbox', 'menuitemradio'])
/** Where the words beside a tick box stand, where nobody has measured it: behind the box, on its line. A letter is about half as wide as a line
 * of type is high, and a box as high as its line. */
function wordsBeside({ x, y, width, height }: Rect, role: string, name: string): Rect[] {
  if (!TICKED.has(role) || name.trim() === '' || width > 3 * height) return []
  return [{ x: x + width, y, width: height * (0.6 + 0.5 * Math.min(60, name.trim().length)), height }]
}

/** Whether a spot lies on one of the step's pictures, in the part that is shown of it. */
function isShown(spot: Pick<Spot, 'pictureId' | 'rect'>, pictures: readonly StepPicture[]): boolean {
  const picture = pictures.find((each) => each.id === spot.pictureId)
  if (!picture) return false
  const { shown } = picture
  const { rect } = spot
  return (
    !shown ||
    (rect.x < shown.x + shown.width && rect.x + rect.width > shown.x && rect.y < shown.y + shown.height && rect.y + rect.height > shown.y)
  )
}

/** Whether the words of the test name what is to be entered. */
export function saysWhatToEnter(step: Step, solo: SoloRules, accept: Accept): boolean {
  const shown = shownEntry(accept)
  const words = `${solo.task}\n${step.exercise?.soloWords ?? ''}`.toLowerCase()
  return shown === null || shown.trim() === '' || words.includes(shown.trim().toLowerCase())
}

function entering(step: Step, on: Spot, document: GuideDocument, solo: boolean): Doing {
  const { exercise, action } = step
  const recorded: Accept = action?.value === undefined ? { how: 'anything' } : { how: 'same', value: action.value }
  const wanted = exercise?.accept ?? recorded
  // Nobody can know what to enter when nothing says it: the entry is then taken as it comes.
  const accept = solo && !exercise?.accept && !saysWhatToEnter(step, document.solo, wanted) ? { how: 'anything' as const } : wanted
  const shown = shownEntry(wanted)
  const others = exercise?.options ?? []
  const choosing = action?.verb === 'choose' || others.length > 0
  const options = choosing && others.length > 0 && shown !== null ? [...new Set([...others, shown])].sort((a, b) => (a < b ? -1 : 1)) : null
  return { kind: 'enter', on, accept, options, message: exercise?.message ?? '' }
}

const NOTHING: Doing = { kind: 'nothing' }

/** What a step made by hand asks for. */
function handMade(step: Step, document: GuideDocument, solo: boolean): Doing | null {
  const task = step.exercise?.task
  const element = elementOf(step)
  const on = element && isShown(element, step.pictures) ? spotOf(element) : null
  switch (task?.kind) {
    case 'explain':
      return NOTHING
    case 'click':
      return on ? { kind: 'click', how: 'once', on } : NOTHING
    case 'field':
      return on ? entering(step, on, document, solo) : NOTHING
    case 'several': {
      const spots = task.elements.map(({ id, element: each }) => ({ ...spotOf(each), id })).filter((each) => isShown(each, step.pictures))
      return spots.length > 0 ? { kind: 'several', spots } : NOTHING
    }
    case 'pop-up':
      return task.buttons.some((each) => each.right)
        ? { kind: 'pop-up', title: task.title, words: task.words, buttons: task.buttons }
        : NOTHING
    default:
      return null
  }
}

/** What a person does at a step on its pictures. A step that lacks something for it is read instead, so that nobody is stuck.
 * @param solo whether it is tested, not practised */
export function doingOf(step: Step, document: GuideDocument, solo = false): Doing {
  const own = handMade(step, document, solo)
  if (own) return own
  const { action } = step
  if (!action) return NOTHING
  if (action.verb === 'press') return action.key ? { kind: 'keys', keys: action.key } : NOTHING
  const { element, onto } = action
  if (!element || !isShown(element, step.pictures)) return NOTHING
  const on = spotOf(element)
  switch (action.verb) {
    case 'type':
    case 'choose':
    case 'set':
      return entering(step, on, document, solo)
    case 'drag':
      return onto && isShown(onto, step.pictures) ? { kind: 'drag', on, onto: spotOf(onto) } : NOTHING
    case 'double-click':
      return { kind: 'click', how: 'double', on }
    case 'right-click':
      return { kind: 'click', how: 'right', on }
    case 'open':
    case 'back':
    case 'forward':
    case 'reload':
    case 'switch-tab':
      return NOTHING
    default:
      return { kind: 'click', how: 'once', on }
  }
}

const BROWSER_VERBS = ['open', 'back', 'forward', 'reload', 'switch-tab']
const ENTERS = ['type', 'choose', 'set']

/** What a step lacks to be practised or tested; nothing for a step that is only read. */
export function lacksOf(step: Step, document: GuideDocument, solo: boolean): Lack[] {
  const task = step.exercise?.task
  const { action } = step
  if (task?.kind === 'explain' || (!task && (!action || BROWSER_VERBS.includes(action.verb)))) return []
  if (task?.kind === 'pop-up') return task.buttons.some((each) => each.right) ? [] : ['no-right-button']
  if (!task && action?.verb === 'press') return action.key ? [] : ['no-key']
  if (step.pictures.length === 0) return ['no-picture']
  const lacks: Lack[] = []
  if (doingOf(step, document, solo).kind === 'nothing') lacks.push('no-element')
  const enters = task ? task.kind === 'field' : action !== undefined && ENTERS.includes(action.verb)
  if (enters && !step.exercise?.accept && action?.value === undefined) lacks.push('no-accepted-value')
  else if (enters && solo && action?.value !== undefined && !step.exercise?.accept) {
    if (!saysWhatToEnter(step, document.solo, { how: 'same', value: action.value })) lacks.push('no-words-for-value')
  }
  return lacks
}

/** The words of a step for whoever only hears them, on one line. */
export const spokenWords = (step: Step): string => plainText(step.body).replace(/\s+/g, ' ').trim()

/** The elements that a guide speaks of, by what they are called, in order of their names: what is chosen from where nobody points. */
export function namesOf(document: GuideDocument): string[] {
  const names = new Set<string>()
  for (const item of document.items) {
    if (item.kind !== 'step') continue
    for (const spot of spotsOf(doingOf(item, document))) names.add(nameOf(spot))
  }
  return [...names].sort((a, b) => (a.toLowerCase() < b.toLowerCase() ? -1 : 1))
}

const MOST_LISTED = 40
/** Whether words on a picture could be the name of something on it: neither a whole sentence nor a mere number. */
const couldBeName = (words: string): boolean => words.length >= 2 && words.length <= 40 && /\p{L}{2}/u.test(words)

/** What stands in the list for whoever does not point: the elements of the step among all that its picture shows, so that the list does not
 * tell which is right. Where nobody knows what it shows, the elements of the whole guide.
 * @param shown words on the picture */
export function listedNames(document: GuideDocument, doing: Doing, shown: readonly string[]): string[] {
  const right = spotsOf(doing).map(nameOf)
  const words = shown.map((each) => each.replace(/\s+/g, ' ').trim()).filter(couldBeName)
  if (words.length < 4) return namesOf(document)
  const others = [...new Set(words)].filter((each) => !right.includes(each)).slice(0, MOST_LISTED)
  return [...new Set([...right, ...others])].sort((a, b) => (a.toLowerCase() < b.toLowerCase() ? -1 : 1))
}

/** All spots that a doing speaks of. */
export function spotsOf(doing: Doing): Spot[] {
  switch (doing.kind) {
    case 'click':
    case 'enter':
      return [doing.on]
    case 'drag':
      return [doing.on, doing.onto]
    case 'several':
      return doing.spots
    default:
      return []
  }
}

/** What a spot is called in a list: its name, or what it is and where it stands. */
export const nameOf = ({ name, role, rect }: Pick<Spot, 'name' | 'role' | 'rect'>): string =>
  name.trim() || `${role || 'element'} (${Math.round(rect.x + rect.width / 2)}, ${Math.round(rect.y + rect.height / 2)})`
