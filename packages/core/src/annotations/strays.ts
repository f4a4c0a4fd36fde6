import { type Annotation, type GuideDocument, stepsOf } from '../guides'

/** An annotation that does not look as the guide wants it. */
export type Stray = { stepId: string; pictureId: string; annotation: Annotation }

/** The annotations that overrule the guide's style. */
export const straysOf = (document: GuideDocument): Stray[] =>
  stepsOf(document).flatMap((step) =>
    step.pictures.flatMap((picture) =>
      (picture.annotations ?? [])
        .filter((annotation) => annotation.style && Object.values(annotation.style).some((value) => value !== undefined))
        .map((annotation) => ({ stepId: step.id, pictureId: picture.id, annotation })),
    ),
  )

/** The annotation in the guide's style. */
export function broughtHome(annotation: Annotation): Annotation {
  const { style: _, ...rest } = annotation
  return rest
}
