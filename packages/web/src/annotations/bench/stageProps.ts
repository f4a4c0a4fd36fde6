import type { Drawing, DrawnBy, Ground } from '@jackdaw/core/annotations'
import type { Annotation, Sheet } from '@jackdaw/core/guides'
import type { WayOfUse } from '@jackdaw/core/ways'
import type { Tool } from './tools'
import type { LaidImage } from './useImages'

/** What the stage of the bench is given, and what it tells. */
export type StageProps = {
  ground: Ground
  images: readonly LaidImage[]
  sheet: Sheet | undefined
  widthPx: number
  tool: Tool | null
  way: WayOfUse['labels']
  annotations: readonly Annotation[]
  /** Draws these annotations, with one of them as it is while the hand has it. */
  draw: (annotations: readonly Annotation[]) => Drawing
  selected: string | null
  onSelect: (id: string | null) => void
  onPut: (annotation: Annotation) => void
  onDrawn: (tool: Tool, drawn: DrawnBy) => void
  onSheet: (sheet: Sheet) => void
  onWords: () => void
}
