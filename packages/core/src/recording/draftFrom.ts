import {
  FRAME_GAP_PX,
  withBlockIds,
  type Annotation,
  type Block,
  type GuideItem,
  type GuideSystem,
  type Inline,
  type Rect,
  type Step,
  type StepAction,
  type StepElement,
  type StepPicture,
} from '../guides'
import type { NewId, PictureId, SectionId, StepId } from '../shared'
import type { Act } from './act'
import { originOf } from './address'
import { surenessOf } from './doubts'
import { nameOf } from './nameOf'
import type { ElementSeen, PageSeen, RawAction, SentenceLanguage, Shot, ShotId } from './rawAction'
import { applicationName, chaptersOf } from './sections'
import { PHRASES, sentenceFor } from './sentences/sentence'
import { tidy } from './tidy'
import { titleFor } from './title'

/** A picture of the recording as it was stored: its id in the guide and its size in pixels. */
export type StoredShot = { id: PictureId; widthPx: number; heightPx: number }

/** The draft of a guide, how many of its steps an author should look at, and the system in which it was recorded. */
export type RecordedDraft = { title: string; items: GuideItem[]; unsure: number; system: GuideSystem }

/** Below this sureness a step is shown first to the author. A picture that is not certain alone is enough. */
const SURE_FROM = 0.9

/** The system on whose pages most was done, with the addresses at which it was met. */
function systemOf(pages: readonly PageSeen[]): GuideSystem {
  const counts = new Map<string, number>()
  for (const page of pages) counts.set(applicationName(page, pages), (counts.get(applicationName(page, pages)) ?? 0) + 1)
  const name = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? ''
  const origins = pages.filter((page) => applicationName(page, pages) === name).map((page) => originOf(page.address))
  const addresses = [...new Set(origins)].filter((origin) => /^https?:/.test(origin)).slice(0, 10)
  return { name: name.slice(0, 120), addresses, versions: [] }
}

/** Writes the draft of a guide from a recording.
 * @param storedShot the stored picture of a shot; `undefined` when it is missing */
export function draftFrom(
  actions: readonly RawAction[],
  { language, newId, storedShot }: { language: SentenceLanguage; newId: NewId; storedShot: (id: ShotId) => StoredShot | undefined },
): RecordedDraft {
  const acts = tidy(actions)
  const pages = acts.map((act) => act.action.page)
  const items = chaptersOf(acts, language).flatMap((chapter): GuideItem[] => [
    ...(chapter.title === '' ? [] : [{ kind: 'section' as const, id: newId<SectionId>(), title: chapter.title.slice(0, 300) }]),
    ...chapter.acts.map((act) => stepFor(act, applicationName(act.action.page, pages))),
  ])
  const unsure = items.filter((item) => item.kind === 'step' && item.check).length
  return { title: titleFor(acts, language), items, unsure, system: systemOf(pages) }

  function stepFor(act: Act, application: string): Step {
    const { shot, otherShots = [] } = act.action
    const picture = shot && storedShot(shot.id)
    const known = picture ? act : { ...act, action: { ...act.action, shot: undefined } }
    const { sureness, doubts } = surenessOf(known)
    const body = withBlockIds({ type: 'doc', content: [sentenceFor(act, language, application)] }, newId)
    const name = nameOf(act.verb === 'choose' ? (act.list ?? act.element) : act.element).words
    const { alt } = PHRASES[language]
    const action = actionOf(act, application, shot, picture)
    const pictures: StepPicture[] = picture
      ? [{ id: picture.id, alt: (name === '' ? alt.plain : alt.before.replace('{name}', () => name)).slice(0, 1_000), ...framed(action) }]
      : []
    const others = otherShots.flatMap((each) => storedShot(each.id)?.id ?? [])
    return {
      kind: 'step',
      id: newId<StepId>(),
      body,
      pictures,
      action,
      ...listOf(act),
      ...(sureness < SURE_FROM ? { check: { sureness, doubts, otherPictures: others } } : {}),
    }
  }
}

/** The other entries of the list from which was chosen: where it is practised, it is a list as well. */
function listOf({ verb, value, element, list }: Act): Pick<Step, 'exercise'> {
  const entries = element?.options ?? list?.options ?? []
  const options = [...new Set(entries)].filter((entry) => entry !== '' && entry !== value)
  return verb === 'choose' && value !== undefined && options.length > 0 ? { exercise: { options } } : {}
}

/** What is acted on gets a frame. */
function framed(action: StepAction): { annotations?: Annotation[] } {
  const annotations = (['element', 'onto'] as const)
    .filter((to) => action[to])
    .map((to): Annotation => ({ id: `frame-${to}`, kind: 'frame', area: { to, gapPx: FRAME_GAP_PX } }))
  return annotations.length > 0 ? { annotations } : {}
}

function actionOf(act: Act, application: string, shot: Shot | undefined, picture: StoredShot | undefined): StepAction {
  const { verb, value, key, action } = act
  const element = elementOf(act.element, action, shot, picture)
  const onto = elementOf(act.onto, action, shot, picture)
  return {
    verb,
    ...(value === undefined ? {} : { value }),
    ...(key === undefined ? {} : { key }),
    page: { address: action.page.address, title: action.page.title, application },
    ...(element ? { element } : {}),
    ...(onto ? { onto } : {}),
  }
}

const AROUND_POINT_PX = 56
/** A place in a drawing: so much around the point that was pressed. */
function aroundPoint({ x, y }: { x: number; y: number }, { x: left, y: top, width, height }: Rect): Rect {
  const half = AROUND_POINT_PX / 2
  const [fromX, fromY] = [Math.max(left, x - half), Math.max(top, y - half)]
  return {
    x: fromX,
    y: fromY,
    width: Math.max(1, Math.min(left + width, x + half) - fromX),
    height: Math.max(1, Math.min(top + height, y + half) - fromY),
  }
}

const tenth = (n: number): number => Math.round(n * 10) / 10
/** The element with its rectangle in pixels of the picture, cut to it. Without a picture there is nothing to frame. */
function elementOf(
  element: ElementSeen | undefined,
  { window, point }: RawAction,
  shot: Shot | undefined,
  picture: StoredShot | undefined,
): StepElement | undefined {
  if (!element || !shot || !picture || window.width <= 0) return undefined
  const scale = picture.widthPx / window.width
  const rect = point && element.tag === 'canvas' ? aroundPoint(point, element.rect) : element.rect
  const onPicture = ({ x, y, width, height }: Rect): Rect | null => {
    const [left, top] = [Math.max(0, x * scale), Math.max(0, y * scale)]
    const right = Math.min(picture.widthPx, (x + width) * scale)
    const bottom = Math.min(picture.heightPx, (y + height) * scale)
    if (right - left < 1 || bottom - top < 1) return null
    return { x: tenth(left), y: tenth(top), width: tenth(right - left), height: tenth(bottom - top) }
  }
  const area = onPicture(rect)
  if (!area) return undefined
  const labels = (element.labels ?? []).flatMap((each) => onPicture(each) ?? [])
  return {
    pictureId: picture.id,
    rect: area,
    ...(labels.length > 0 ? { labels } : {}),
    of: { widthPx: picture.widthPx, heightPx: picture.heightPx },
    role: element.role,
    name: element.name,
    frame: element.frame,
    locators: element.locators,
  }
}

const marked = (run: Inline): string => {
  if (run.type === 'hardBreak') return '\n'
  const set = new Set(run.marks?.map((mark) => mark.type))
  return set.has('bold') ? `**${run.text}**` : set.has('code') || set.has('keyCap') ? `\`${run.text}\`` : run.text
}
const lineOf = (block: Block): string => (block.type === 'paragraph' ? (block.content ?? []).map(marked).join('') : '')

/** The draft as lines in the manner of Markdown: the title, `# ` before headings, then the steps. */
export function linesOf(actions: readonly RawAction[], language: SentenceLanguage): string[] {
  const acts = tidy(actions)
  const pages = acts.map((act) => act.action.page)
  return [
    titleFor(acts, language),
    ...chaptersOf(acts, language).flatMap((chapter) => [
      ...(chapter.title === '' ? [] : [`# ${chapter.title}`]),
      ...chapter.acts.map((act) => lineOf(sentenceFor(act, language, applicationName(act.action.page, pages)))),
    ]),
  ]
}
