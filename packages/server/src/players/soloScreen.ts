import type { SoloAttempt, SoloPicture, SoloScreen } from '@jackdaw/contracts/players'
import { stepsOf, type GuideDocument, type Step } from '@jackdaw/core/guides'
import { choicesAt, END, indexOf, namesOf, spotsOf, type Doing, type Play, type PlayerState, type Verdict } from '@jackdaw/core/players'

type Sizes = ReadonlyMap<string, { widthPx: number; heightPx: number }>

/** The picture on which the step is done, or its first one. */
function pictureOf(step: Step, doing: Doing, sizes: Sizes): SoloPicture | null {
  const acted = spotsOf(doing)[0]?.pictureId
  const picture = step.pictures.find((each) => each.id === acted) ?? step.pictures[0]
  const size = picture && (picture.sheet ?? sizes.get(picture.id))
  if (!picture || !size) return null
  return {
    id: picture.id,
    widthPx: size.widthPx,
    heightPx: size.heightPx,
    ...(picture.shown ? { shown: picture.shown } : {}),
    ...(picture.sheet ? { sheet: picture.sheet } : {}),
  }
}

/** What whoever takes a test gets to see: pictures and the author's words for the test. Neither where an element stands, nor what is
 * accepted, nor the words, labels and alternative texts that would tell.
 * @param state `null` once the attempt is over */
export function screenOf(
  document: GuideDocument,
  play: Play,
  state: PlayerState | null,
  sizes: Sizes,
  verdict: Verdict | null,
): Pick<SoloAttempt, 'names' | 'said' | 'screen'> {
  const message = verdict?.is === 'wrong' && verdict.why === 'not-accepted' && state ? messageAt(play, state.at) : ''
  const said = verdict && { is: verdict.is, message }
  if (!state || state.at === END) return { names: [], said, screen: null }
  const at = indexOf(play.script, state.at)
  const { doing, optional } = play.script.steps[at]!
  const step = stepsOf(document).find((each) => each.id === state.at)!
  const { here } = state
  const ways = here.done ? choicesAt(play, state) : null
  const screen: SoloScreen = {
    position: at + 1,
    of: play.script.steps.length,
    section: sectionOf(document, step),
    optional,
    words: step.exercise?.soloWords ?? '',
    body: doing.kind === 'nothing' ? step.body : null,
    picture: pictureOf(step, doing, sizes),
    popUp:
      doing.kind === 'pop-up'
        ? { title: doing.title, words: doing.words, buttons: doing.buttons.map(({ id, words }) => ({ id, words })) }
        : null,
    field: doing.kind === 'enter' && here.placed && !here.done ? { options: doing.options } : null,
    found: here.found.length,
    triesLeft: play.triesPerStep === 0 || doing.kind === 'nothing' ? null : Math.max(0, play.triesPerStep - here.tries),
    choice: ways && { ask: ways.ask, ways: ways.ways.map(({ id, words }) => ({ id, words })) },
  }
  return { names: namesOf(document), said, screen }
}

function messageAt(play: Play, id: string): string {
  const doing = play.script.steps[indexOf(play.script, id)]?.doing
  return doing?.kind === 'enter' ? doing.message : ''
}

function sectionOf(document: GuideDocument, step: Step): string {
  let section = ''
  for (const item of document.items) {
    if (item.kind === 'section') section = item.title
    else if (item === step) break
  }
  return section
}
