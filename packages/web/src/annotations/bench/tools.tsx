import { keysOf } from '@jackdaw/core/shared'
import type { AnnotationKind } from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import type { ComponentType } from 'react'
import { ArrowUpRight, Circle, Crop, Focus, Hash, Scan, Square, SquareSlash, Type, ZoomIn, type LucideProps } from 'lucide-react'

/** What the hand does on the picture: put an annotation there, draw what the step is about, or the part that is shown. */
export type Tool = AnnotationKind | 'element' | 'crop'

/** A slip with its leader line, ending in a dot. */
const LabelSign = ({ size = 17 }: Pick<LucideProps, 'size'>) => (
  <svg width={size} height={size} viewBox="0 0 24 24" fill="none" stroke="currentColor" strokeWidth={2} strokeLinejoin="round" aria-hidden>
    <path d="M8 3h13v9H8zM12 6h5M12 9h3M10 12l-5 7" strokeLinecap="round" />
    <circle cx={4.5} cy={20} r={2} fill="currentColor" stroke="none" />
  </svg>
)

/** A tool: its sign, what it and what it puts there is called, and what to do once it has been taken; the words are in English. */
type ToolKind = { Icon: ComponentType<Pick<LucideProps, 'size' | 'aria-hidden'>>; name: string; hint: string }
const DRAW = 'Draw it over the picture.'
const PRESS = 'Press the place it speaks of.'
/** Every tool, in the order in which they are offered: a kind of annotation that is added says all of it here. */
const TOOL_KINDS: Readonly<Record<Tool, ToolKind>> = {
  frame: { Icon: Scan, name: 'Frame', hint: DRAW },
  label: { Icon: LabelSign, name: 'Label', hint: PRESS },
  tag: { Icon: Hash, name: 'Number', hint: PRESS },
  arrow: { Icon: ArrowUpRight, name: 'Arrow', hint: 'Draw from where it starts to where it points.' },
  rectangle: { Icon: Square, name: 'Rectangle', hint: DRAW },
  ellipse: { Icon: Circle, name: 'Ellipse', hint: DRAW },
  text: { Icon: Type, name: 'Text', hint: PRESS },
  inset: { Icon: ZoomIn, name: 'Inset', hint: DRAW },
  blackout: {
    Icon: SquareSlash,
    name: 'Blackout',
    hint: 'Draw over what nobody may see. It is destroyed once you apply it.',
  },
  element: {
    Icon: Focus,
    name: 'What it is about',
    hint: 'Draw around the button, field or part that this step is about. Frames and labels attached to it go along.',
  },
  crop: {
    Icon: Crop,
    name: 'Crop',
    hint: 'Draw the part to be shown. The rest is kept, and can be got at: to destroy something, use a blackout.',
  },
}
/** All tools, in the order in which they are offered. */
export const TOOLS = keysOf(TOOL_KINDS)

/** What a tool, and what it puts there, is called. */
export const toolName = (tool: Tool, t: TFunction): string => t(TOOL_KINDS[tool].name)
/** What to do once a tool has been taken. */
export const toolHint = (tool: Tool, t: TFunction): string => t(TOOL_KINDS[tool].hint)

/** The sign of a tool. */
export function ToolSign({ tool }: { tool: Tool }) {
  const { Icon } = TOOL_KINDS[tool]
  return <Icon size={17} aria-hidden />
}
