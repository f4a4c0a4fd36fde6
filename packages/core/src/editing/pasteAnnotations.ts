import type { Annotation, Change, Step } from '../guides'
import type { NewId } from '../shared'

/** Copies annotations whole onto the picture of other steps on which their element stands, or their first picture. What they are attached
 * to decides where they land.
 * @returns the changes; none for steps without a picture */
export const pasteAnnotations = (annotations: readonly Annotation[], onto: readonly Step[], newId: NewId): Change[] =>
  onto.flatMap((step) => {
    const element = step.action?.element ?? step.element
    const picture = step.pictures.find((each) => each.id === element?.pictureId) ?? step.pictures[0]
    if (!picture) return []
    let after = picture.annotations?.at(-1)?.id ?? null
    return annotations.map((annotation): Change => {
      const id = newId().slice(0, 21)
      const change: Change = { type: 'put-annotation', stepId: step.id, pictureId: picture.id, annotation: { ...annotation, id }, after }
      after = id
      return change
    })
  })

/** What makes up the position of an annotation: what it is attached to, its gap, and where its author has put it. */
export type Position = Partial<{
  at: unknown
  area: unknown
  from: unknown
  to: unknown
  place: unknown
  practisePlace: unknown
  bend: unknown
}>

const PARTS = ['at', 'area', 'from', 'to', 'place', 'practisePlace', 'bend'] as const
/** The position of an annotation, for others. */
export function positionOf(annotation: Annotation): Position {
  return Object.fromEntries(Object.entries(annotation).filter(([key]) => (PARTS as readonly string[]).includes(key)))
}
/** Another annotation at that position, as far as its kind has such parts. A label that places itself does so there, too. */
export function withPosition(annotation: Annotation, position: Position): Annotation {
  const has = (part: string) => part in annotation || (annotation.kind === 'label' && (part === 'place' || part === 'practisePlace'))
  const taken = Object.fromEntries(Object.entries(position).filter(([part, value]) => has(part) && value !== undefined))
  const next = { ...annotation, ...taken }
  if (next.kind === 'label' && 'at' in position) {
    const { place: _, practisePlace: __, ...rest } = next
    return {
      ...rest,
      ...('place' in taken ? { place: taken['place'] } : {}),
      ...('practisePlace' in taken ? { practisePlace: taken['practisePlace'] } : {}),
    } as Annotation
  }
  return next
}
