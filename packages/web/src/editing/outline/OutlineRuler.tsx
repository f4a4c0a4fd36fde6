import type { GuideDocument, GuideItem, ItemId } from '@jackdaw/core/guides'
import type { Lack } from '@jackdaw/core/players'
import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core'
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { memo, useMemo, useRef } from 'react'
import { useTexts } from '../../ui/words/texts'
import { useMoving } from './useMoving'
import { FlowLines, roomForLines } from '../exercises/FlowLines'
import { lackWords } from '../exercises/lackWords'
import { itemKindOf } from '../itemKinds'

/** The ruler as the author's outline: a tick for each step, which leads to it and is dragged, by hand or by keys, to another place. */
export function OutlineRuler({
  document,
  selected,
  ticked,
  lacks,
  onPick,
  onTick,
  onMove,
}: {
  /** What steps lack to be used in the way that is looked at. */
  lacks: ReadonlyMap<string, readonly Lack[]>
  document: GuideDocument
  selected: ItemId | null
  ticked: ReadonlySet<ItemId>
  onPick: (id: ItemId) => void
  /** With Ctrl one more is chosen, with Shift all from the last one on. */
  onTick: (id: ItemId, range: boolean) => void
  onMove: (id: ItemId, after: ItemId | null) => void
}) {
  const { t } = useTexts()
  const list = useRef<HTMLOListElement>(null)
  const order = document.items.map((item) => item.id).join(' ')
  // The same list as long as the order is the same: else every tick would be drawn anew at every key.
  const ids = useMemo(() => (order === '' ? [] : order.split(' ')), [order])
  const nameOf = (id: unknown) => {
    const item = document.items.find((each) => each.id === id)
    return item ? itemKindOf(item).nameOf(item, 0, t) : ''
  }
  const moving = useMoving(nameOf)
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    const [from, to] = [ids.indexOf(String(active.id)), ids.indexOf(String(over.id))]
    const moved = document.items[from]?.id
    if (moved) onMove(moved, document.items[to > from ? to : to - 1]?.id ?? null)
  }
  let number = 0
  return (
    <nav aria-label={t('Outline')} className="relative" style={{ paddingLeft: roomForLines(document) }}>
      <FlowLines {...{ document, list, selected }} />
      <DndContext {...moving} collisionDetection={closestCenter} onDragEnd={drop}>
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ol ref={list} className="relative border-l-2 border-ink">
            {document.items.map((item) => (
              <Tick
                key={item.id}
                item={item}
                number={item.kind === 'step' ? ++number : 0}
                here={item.id === selected}
                ticked={ticked.has(item.id)}
                lack={lackWords(lacks.get(item.id), t)}
                {...{ onPick, onTick }}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </nav>
  )
}

const Tick = memo(function Tick({
  item,
  number,
  here,
  ticked,
  lack,
  onPick,
  onTick,
}: {
  lack: string
  item: GuideItem
  number: number
  here: boolean
  ticked: boolean
  onTick: (id: ItemId, range: boolean) => void
  onPick: (id: ItemId) => void
}) {
  const { t } = useTexts()
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id: item.id })
  const { Mark, nameOf } = itemKindOf(item)
  const name = nameOf(item, number, t)
  return (
    <li
      ref={setNodeRef}
      data-item={item.id}
      style={{ transform: CSS.Translate.toString(transform), transition: transition ?? undefined }}
      className={`flex items-start group ${isDragging ? 'relative z-10 bg-wash' : ''} ${item.kind === 'step' ? '' : 'pt-2'}`}
    >
      <button
        type="button"
        className={`grow min-w-0 flex items-start gap-1.5 min-h-8 text-left hover:bg-wash ${ticked ? 'bg-wash border-r-4 border-petrol' : ''}`}
        aria-current={here ? 'step' : undefined}
        title={t('With Shift or Ctrl: choose several')}
        onClick={(event) => (event.shiftKey || event.ctrlKey || event.metaKey ? onTick(item.id, event.shiftKey) : onPick(item.id))}
      >
        <Mark {...{ item, number, here, lack, name }} />
      </button>
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={t('Move: {{name}}', { name })}
        className="size-8 shrink-0 flex items-center justify-center text-soft opacity-40 group-hover:opacity-100 focus-visible:opacity-100 cursor-grab touch-none"
      >
        <span className="grip" aria-hidden />
      </button>
    </li>
  )
})
