import { elementOf, type Change, type PictureSizes, type Rect, type Step } from '../guides'
import type { PictureId } from '../shared'

/** Puts a new picture in the place of another one. All annotations go along: those attached to the element to where it stands now, the
 * others to the same place of the picture.
 * @param by      the new picture, stored already, with its size in pixels
 * @param element where the step's element stands in the new picture, in its pixels; absent: at the same share of the picture as before
 * @returns the changes; none when the step does not show the picture */
export function replacePicture(
  step: Step,
  pictureId: PictureId,
  by: { id: PictureId; widthPx: number; heightPx: number },
  { element, sizes }: { element?: Rect | undefined; sizes: PictureSizes },
): Change[] {
  const old = step.pictures.find((each) => each.id === pictureId)
  if (!old || by.id === pictureId) return []
  const { shown, sheet: _, ...kept } = old
  const was = old.sheet ?? sizes[pictureId] ?? elementOf(step)?.of
  const of = { widthPx: by.widthPx, heightPx: by.heightPx }
  const scaled = (rect: Rect, from: { widthPx: number; heightPx: number }): Rect => {
    const [x, y] = [of.widthPx / from.widthPx, of.heightPx / from.heightPx]
    return { x: rect.x * x, y: rect.y * y, width: rect.width * x, height: rect.height * y }
  }
  const changes: Change[] = [
    {
      type: 'insert-picture',
      stepId: step.id,
      picture: { ...kept, id: by.id, ...(shown && was ? { shown: scaled(shown, was) } : {}) },
      after: pictureId,
    },
  ]
  const moved = <T extends NonNullable<Step['element']>>({ labels, ...each }: T, at?: Rect): T =>
    ({
      ...each,
      // Where its labels stand is known only where everything stands as it did.
      ...(labels && !at ? { labels: labels.map((label) => scaled(label, each.of)) } : {}),
      pictureId: by.id,
      of,
      rect: at ?? scaled(each.rect, each.of),
    }) as T
  if (step.action?.element?.pictureId === pictureId || step.action?.onto?.pictureId === pictureId) {
    const { action } = step
    changes.push({
      type: 'set-step',
      stepId: step.id,
      fields: {
        action: {
          ...action,
          ...(action.element?.pictureId === pictureId ? { element: moved(action.element, element) } : {}),
          ...(action.onto?.pictureId === pictureId ? { onto: moved(action.onto) } : {}),
        },
      },
    })
  }
  if (step.element?.pictureId === pictureId)
    changes.push({ type: 'set-step', stepId: step.id, fields: { element: moved(step.element, element) } })
  const task = step.exercise?.task
  if (task?.kind === 'several' && task.elements.some((each) => each.element.pictureId === pictureId)) {
    const elements = task.elements.map((each) => (each.element.pictureId === pictureId ? { ...each, element: moved(each.element) } : each))
    changes.push({ type: 'set-step', stepId: step.id, fields: { exercise: { ...step.exercise, task: { ...task, elements } } } })
  }
  changes.push({ type: 'remove-picture', stepId: step.id, pictureId })
  return changes
}

/** Says where the element of a step stands.
 * @param element `null`: it has none any more */
export function setElement(
  step: Step,
  element: { pictureId: PictureId; rect: Rect; of: { widthPx: number; heightPx: number } } | null,
): Change[] {
  if (step.action) {
    const { element: before, ...rest } = step.action
    const { labels: _, ...was } = before ?? {}
    const blank = { role: '', name: '', frame: [], locators: [] }
    return [
      { type: 'set-step', stepId: step.id, fields: { action: element ? { ...rest, element: { ...blank, ...was, ...element } } : rest } },
    ]
  }
  const blank = { role: '', name: '', frame: [], locators: [] }
  return [{ type: 'set-step', stepId: step.id, fields: { element: element && { ...blank, ...element } } }]
}
