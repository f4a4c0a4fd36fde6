import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core'
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { memo, useMemo } from 'react'
import { useTexts } from '../../ui/words/texts'
import { useMoving } from '../outline/useMoving'

/** A tick of the ruler: a question, or what is drawn from a bank. `number`: where it stands among what is asked; `lacks`: it is not finished. */
export type QuizMark = { id: string; number: string; name: string; kind: string; lacks: boolean }

/** The ruler of a quiz or a bank: a tick for each question, which leads to it and is dragged, by hand or by keys, to another place. `head`: what stands before the first. */
export function QuizRuler({
  label,
  head,
  marks,
  selected,
  onPick,
  onMove,
}: {
  label: string
  head: string
  marks: readonly QuizMark[]
  /** `null`: what stands before the first. */
  selected: string | null
  onPick: (id: string | null) => void
  onMove: (from: number, to: number) => void
}) {
  // The same list as long as the order is the same, and ticks that know what they show: else all of five hundred would be drawn anew at every key.
  const order = marks.map(({ id }) => id).join(' ')
  const ids = useMemo(() => (order === '' ? [] : order.split(' ')), [order])
  const nameOf = (id: unknown) => marks.find((mark) => mark.id === id)?.name ?? ''
  const moving = useMoving(nameOf)
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onMove(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))
  }
  return (
    <nav aria-label={label}>
      <button
        type="button"
        className={`w-full text-left min-h-9 flex items-center gap-2 hover:bg-wash ${selected === null ? 'font-bold' : ''}`}
        aria-current={selected === null ? 'step' : undefined}
        onClick={() => onPick(null)}
      >
        <span className={`w-7 shrink-0 ${selected === null ? 'h-1.5 bg-kingfisher' : 'h-0.5 bg-ink'}`} aria-hidden />
        {head}
      </button>
      <DndContext {...moving} collisionDetection={closestCenter} onDragEnd={drop}>
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ol className="border-l-2 border-ink">
            {marks.map((mark) => (
              <Tick key={mark.id} {...mark} here={mark.id === selected} onPick={onPick} />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </nav>
  )
}

const Tick = memo(function Tick({
  id,
  number,
  name,
  kind,
  lacks,
  here,
  onPick,
}: QuizMark & { here: boolean; onPick: (id: string) => void }) {
  const { t } = useTexts()
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id })
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition: transition ?? undefined }}
      className={`flex items-start group ${isDragging ? 'relative z-10 bg-wash' : ''}`}
    >
      <button
        type="button"
        className={`grow min-w-0 flex items-start gap-1.5 min-h-9 text-left hover:bg-wash ${here ? 'font-bold' : ''}`}
        aria-current={here ? 'step' : undefined}
        onClick={() => onPick(id)}
      >
        <span className="w-5 shrink-0" aria-hidden>
          <span className={`block ${here ? 'w-5 h-1.5 mt-[11px] bg-kingfisher' : 'w-3.5 h-0.5 mt-[13px] bg-edge'}`} />
        </span>
        <span className="text-xs tabular-nums min-w-5 shrink-0 text-right mt-1">{number}</span>
        <span className="text-sm leading-5 py-0.5 grow min-w-0">
          <span className="line-clamp-2">{name}</span>
          <span className="block text-xs font-normal text-soft">
            {kind}
            {lacks && <span className="text-ochre font-semibold"> · {t('not finished')}</span>}
          </span>
        </span>
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
