import { nth, PictureId } from '../shared'
import * as z from 'zod/mini'
import {
  Caution,
  Rect,
  RichText,
  Sheet,
  SignId,
  stepsOf,
  type GuideDocument,
  type PictureSizes,
  type Step,
  type StepPicture,
} from '../guides'
import { listedNames, spotsOf, type Doing } from './doing'
import type { Verdict } from './judge'
import { choicesAt, type Play } from './moves'
import { END, indexOf } from '../flow'
import { safetyAt } from './safety'
import type { PlayerState } from './state'

/** A picture as Solo shows it: nothing is said of what is on it. */
export const SoloPicture = z.object({
  id: PictureId,
  widthPx: z.int(),
  heightPx: z.int(),
  shown: z.optional(Rect),
  sheet: z.optional(Sheet),
})
/** Read by {@link SoloPicture}. */
export type SoloPicture = z.infer<typeof SoloPicture>

/** What somebody sees at a step of a test. Neither where to point nor what to enter is in it. */
export const SoloScreen = z.object({
  /** From 1; how many steps there are in all. */
  position: z.int(),
  of: z.int(),
  section: z.string(),
  /** The section may be left out. */
  optional: z.boolean(),
  /** What the author says at this step of the test. */
  words: z.string(),
  /** Cautions and signs are shown in a test, too: they come before everything else. */
  cautions: z.array(Caution),
  signs: z.array(SignId),
  guideSigns: z.array(SignId),
  /** Nothing can be done until the cautions are acknowledged. */
  waiting: z.boolean(),
  /** The step's own text, where nothing is to be done but to read it. */
  body: z.nullable(RichText),
  picture: z.nullable(SoloPicture),
  popUp: z.nullable(z.object({ title: z.string(), words: z.string(), buttons: z.array(z.object({ id: z.string(), words: z.string() })) })),
  /** The right field has been pointed at: something is to be entered, or chosen from a list. `chooses`: it is a list of the application, also
   * where its entries are not known. */
  field: z.nullable(z.object({ options: z.nullable(z.array(z.string())), name: z.string(), chooses: z.boolean() })),
  /** How many of several elements have been found. */
  found: z.int(),
  triesLeft: z.nullable(z.int()),
  /** The ways on from which one is to be chosen; the step itself has been done. */
  choice: z.nullable(z.object({ ask: z.string(), ways: z.array(z.object({ id: z.string(), words: z.string() })) })),
})
/** Read by {@link SoloScreen}. */
export type SoloScreen = z.infer<typeof SoloScreen>

/** What came of the last act, as far as a test tells it. `message`: what the application says to an entry that it does not take. */
export const SoloSaid = z.object({ is: z.enum(['right', 'part', 'wrong', 'idle']), message: z.string() })
/** Read by {@link SoloSaid}. */
export type SoloSaid = z.infer<typeof SoloSaid>

/** The picture on which the step is done, or its first one. */
function actedOn(step: Step, doing: Doing): StepPicture | undefined {
  const acted = spotsOf(doing)[0]?.pictureId
  return step.pictures.find((each) => each.id === acted) ?? step.pictures[0]
}

/** The same as a test shows it. */
function pictureOf(step: Step, doing: Doing, sizes: PictureSizes): SoloPicture | null {
  const picture = actedOn(step, doing)
  const size = picture && (picture.sheet ?? sizes[picture.id])
  if (!picture || !size) return null
  return {
    id: picture.id,
    widthPx: size.widthPx,
    heightPx: size.heightPx,
    ...(picture.shown ? { shown: picture.shown } : {}),
    ...(picture.sheet ? { sheet: picture.sheet } : {}),
  }
}

/** The picture on which the step is done where somebody is in a test. */
export function soloPictureAt(document: GuideDocument, play: Play, state: PlayerState): StepPicture | null {
  const step = stepsOf(document).find((each) => each.id === state.at)
  const doing = play.script.steps[indexOf(play.script, state.at)]?.doing
  return step && doing ? (actedOn(step, doing) ?? null) : null
}

/** What whoever takes a test gets to see: pictures and the author's words for the test. Neither where an element stands, nor what is
 * accepted, nor the words, labels and alternative texts that would tell.
 * @param state   `null` once the attempt is over
 * @param verdict on the last act
 * @param shown   words on the step's picture, as far as they are known */
export function soloScreen(
  document: GuideDocument,
  play: Play,
  state: PlayerState | null,
  sizes: PictureSizes,
  verdict: Verdict | null,
  shown: readonly string[] = [],
): { names: string[]; said: SoloSaid | null; screen: SoloScreen | null } {
  const refused = verdict?.is === 'wrong' && verdict.why === 'not-accepted'
  const said = verdict && { is: verdict.is, message: refused && state ? messageAt(play, state.at) : '' }
  if (!state || state.at === END) return { names: [], said, screen: null }
  const at = indexOf(play.script, state.at)
  const { doing, optional } = nth(play.script.steps, at)
  const step = stepsOf(document).find((each) => each.id === state.at)!
  const { here } = state
  const ways = here.done ? choicesAt(play, state) : null
  const screen: SoloScreen = {
    position: at + 1,
    of: play.script.steps.length,
    section: sectionOf(document, step),
    optional,
    words: step.exercise?.soloWords ?? '',
    ...safetyAt(document, play, state)!,
    body: doing.kind === 'nothing' ? step.body : null,
    picture: pictureOf(step, doing, sizes),
    popUp:
      doing.kind === 'pop-up'
        ? { title: doing.title, words: doing.words, buttons: doing.buttons.map(({ id, words }) => ({ id, words })) }
        : null,
    field:
      doing.kind === 'enter' && here.placed && !here.done
        ? { options: doing.options, name: doing.on.name, chooses: isList(doing.on.role) }
        : null,
    found: here.found.length,
    triesLeft: play.triesPerStep === 0 || doing.kind === 'nothing' ? null : Math.max(0, play.triesPerStep - here.tries),
    choice: ways && { ask: ways.ask, ways: ways.ways.map(({ id, words }) => ({ id, words })) },
  }
  return { names: listedNames(document, doing, shown), said, screen }
}

const isList = (role: string): boolean => ['combobox', 'listbox', 'option'].includes(role)

function messageAt(play: Play, id: string): string {
  const doing = play.script.steps[indexOf(play.script, id)]?.doing
  return doing?.kind === 'enter' ? doing.message : ''
}

/** The heading under which a step stands; empty when there is none. */
export function sectionOf(document: GuideDocument, step: Step): string {
  let section = ''
  for (const item of document.items) {
    if (item.kind === 'section') section = item.title
    else if (item === step) return section
  }
  return section
}
