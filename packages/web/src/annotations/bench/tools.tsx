import type { AnnotationKind } from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import {
  ArrowUpRight,
  Circle,
  Crop,
  Focus,
  Hash,
  MessageSquareText,
  Scan,
  Square,
  SquareSlash,
  Type,
  ZoomIn,
  type LucideIcon,
} from 'lucide-react'

/** What the hand does on the picture: put an annotation there, draw what the step is about, or the part that is shown. */
export type Tool = AnnotationKind | 'element' | 'crop'

export const TOOLS: readonly { tool: Tool; Icon: LucideIcon }[] = [
  { tool: 'frame', Icon: Scan },
  { tool: 'label', Icon: MessageSquareText },
  { tool: 'tag', Icon: Hash },
  { tool: 'arrow', Icon: ArrowUpRight },
  { tool: 'rectangle', Icon: Square },
  { tool: 'ellipse', Icon: Circle },
  { tool: 'text', Icon: Type },
  { tool: 'inset', Icon: ZoomIn },
  { tool: 'blackout', Icon: SquareSlash },
  { tool: 'element', Icon: Focus },
  { tool: 'crop', Icon: Crop },
]

/** What a tool, and what it puts there, is called. */
export function toolName(tool: Tool, t: TFunction): string {
  switch (tool) {
    case 'frame':
      return t('Frame')
    case 'label':
      return t('Label')
    case 'tag':
      return t('Number')
    case 'arrow':
      return t('Arrow')
    case 'rectangle':
      return t('Rectangle')
    case 'ellipse':
      return t('Ellipse')
    case 'text':
      return t('Text')
    case 'inset':
      return t('Inset')
    case 'blackout':
      return t('Blackout')
    case 'element':
      return t('What it is about')
    case 'crop':
      return t('Crop')
  }
}

/** What to do once a tool has been taken. */
export function toolHint(tool: Tool, t: TFunction): string {
  switch (tool) {
    case 'element':
      return t('Draw around the button, field or part that this step is about. Frames and labels attached to it go along.')
    case 'crop':
      return t('Draw the part to be shown. The rest is kept, and can be got at: to destroy something, use a blackout.')
    case 'blackout':
      return t('Draw over what nobody may see. It is destroyed once you apply it.')
    case 'arrow':
      return t('Draw from where it starts to where it points.')
    case 'label':
    case 'tag':
    case 'text':
      return t('Press the place it speaks of.')
    default:
      return t('Draw it over the picture.')
  }
}
