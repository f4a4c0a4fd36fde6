import { itemKey } from '@jackdaw/core/items'
import { findPart, placePart, removePart, type PlanDocument, type PlanPart } from '@jackdaw/core/plans'
import { nth } from '@jackdaw/core/shared'
import { useDraggable } from '@dnd-kit/core'
import type { KeyboardEvent, ReactNode } from 'react'
import type { Selected } from './selected'

/** Width of a day and of the column with the titles, in pixels. */
export const DAY_PX = 34
export const TITLES_PX = 232
/** How far a day lies to the right of the first one. */
export const leftOf = (day: number): number => (day - 1) * DAY_PX

/** A word for a part of a plan that is the same for no other one. */
export const partKey = (part: PlanPart): string => ('item' in part ? itemKey(part.item) : part.checkIn)
const LOOKS = {
  item: 'bg-petrol text-white border-petrol',
  optional: 'bg-sheet text-petrol border-petrol border-dashed',
  lost: 'bg-sheet text-brick border-brick',
  'check-in': 'bg-sheet text-ink border-ink rounded-full',
} as const

/** An item or a check-in on its day, moved by hand or by keys. @param children what stands on it */
export function PartRow({
  part,
  look,
  title,
  name,
  on,
  document,
  selected,
  shown,
  onSelect,
  onChange,
  children,
}: {
  part: PlanPart
  look: keyof typeof LOOKS
  title: string
  name: string
  on: number
  document: PlanDocument
  selected: Selected
  shown: number
  onSelect: (selected: Selected) => void
  onChange: (document: PlanDocument) => void
  children: ReactNode
}) {
  const key = partKey(part)
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: key, data: { part } })
  const isSelected = selected !== null && !('stage' in selected) && partKey(selected) === key
  const keys = (event: KeyboardEvent) => {
    const { stages } = document
    const found = findPart(document, part)
    if (!found) return
    const { stage, day } = found
    const at = stages.indexOf(stage)
    const side = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
    const way = { ArrowUp: -1, ArrowDown: 1 }[event.key]
    if (side !== undefined) onChange(placePart(document, part, stage.id, day + side))
    else if (way !== undefined && event.altKey && at + way >= 0 && at + way < stages.length)
      onChange(placePart(document, part, nth(stages, at + way).id, day))
    else if (event.key === 'Delete') {
      onSelect(null)
      onChange(removePart(document, part))
    } else return
    event.preventDefault()
  }
  const moved = transform ? `translate(${Math.round(transform.x / DAY_PX) * DAY_PX}px, ${transform.y}px)` : undefined
  return (
    <div className={`flex ${isSelected ? 'bg-wash' : ''}`}>
      <div className="shrink-0 sticky left-0 z-[5] bg-inherit px-4 md:px-6 py-1 text-sm" style={{ width: TITLES_PX }}>
        <span className={`block truncate pl-4 ${isSelected ? 'font-semibold' : ''} ${look === 'check-in' ? 'italic' : ''}`} title={title}>
          {title}
        </span>
      </div>
      <div
        className="relative h-8"
        style={{
          width: shown * DAY_PX,
          backgroundImage: `repeating-linear-gradient(to right, var(--color-hair) 0 1px, transparent 1px ${DAY_PX}px)`,
        }}
      >
        <button
          ref={setNodeRef}
          type="button"
          {...attributes}
          {...listeners}
          aria-pressed={isSelected}
          aria-roledescription={undefined}
          aria-label={name}
          className={`absolute top-1 h-6 px-1 text-xs rounded-sm border touch-none cursor-grab tabular-nums flex items-center justify-center ${isDragging ? 'z-20 cursor-grabbing' : ''} ${LOOKS[look]} aria-pressed:ring-2 aria-pressed:ring-kingfisher`}
          style={{ left: leftOf(on) + 2, minWidth: DAY_PX - 4, transform: moved }}
          onClick={() => onSelect(part)}
          onFocus={() => onSelect(part)}
          onKeyDown={keys}
        >
          {children}
        </button>
      </div>
    </div>
  )
}
