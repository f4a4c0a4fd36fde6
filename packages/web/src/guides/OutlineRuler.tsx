import { stepName, type GuideDocument, type GuideItem, type ItemId, type Step } from '@jackdaw/core/guides'
import type { Lack } from '@jackdaw/core/players'
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core'
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { Construction, Split, Unplug } from 'lucide-react'
import { memo, useMemo, useRef } from 'react'
import { RemarkMark } from '../remarks'
import { useTexts } from '../ui/texts'
import { FlowLines, roomForLines } from './exercises/FlowLines'
import { lackWords } from './exercises/lackWords'

// The same objects at every key: with new ones every tick would be drawn anew.
const POINTER = { activationConstraint: { distance: 5 } }
const KEYBOARD = { coordinateGetter: sortableKeyboardCoordinates }

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
  const sensors = useSensors(useSensor(PointerSensor, POINTER), useSensor(KeyboardSensor, KEYBOARD))
  const list = useRef<HTMLOListElement>(null)
  const order = document.items.map((item) => item.id).join(' ')
  // The same list as long as the order is the same: else every tick would be drawn anew at every key.
  const ids = useMemo(() => (order === '' ? [] : order.split(' ')), [order])
  const nameOf = (id: unknown) => {
    const item = document.items.find((each) => each.id === id)
    return item?.kind === 'section' ? item.title : item ? stepName(item) : ''
  }
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    const [from, to] = [ids.indexOf(String(active.id)), ids.indexOf(String(over.id))]
    onMove(active.id as ItemId, (to > from ? ids[to] : (ids[to - 1] ?? null)) as ItemId | null)
  }
  let number = 0
  return (
    <nav aria-label={t('Outline')} className="relative" style={{ paddingLeft: roomForLines(document) }}>
      <FlowLines {...{ document, list, selected }} />
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={{
          screenReaderInstructions: {
            draggable: t('Press space to pick it up, the arrow keys to move it, space to put it down, Escape to leave it where it was.'),
          },
          announcements: {
            onDragStart: ({ active }) => t('Picked up: {{name}}', { name: nameOf(active.id) }),
            onDragOver: ({ over }) => (over ? t('Now at the place of: {{name}}', { name: nameOf(over.id) }) : undefined),
            onDragEnd: ({ active, over }) => (over ? t('Put down: {{name}}', { name: nameOf(active.id) }) : t('Left where it was')),
            onDragCancel: () => t('Left where it was'),
          },
        }}
      >
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
                branches={item.kind === 'step' && hasWaysOn(item)}
                {...{ onPick, onTick }}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </nav>
  )
}

const hasWaysOn = ({ flow }: Step): boolean =>
  flow !== undefined && ((flow.choices?.length ?? 0) > 0 || (flow.rules?.length ?? 0) > 0 || flow.skipWhen !== undefined)

const Tick = memo(function Tick({
  item,
  number,
  here,
  ticked,
  lack,
  branches,
  onPick,
  onTick,
}: {
  lack: string
  branches: boolean
  item: GuideItem
  number: number
  here: boolean
  ticked: boolean
  onTick: (id: ItemId, range: boolean) => void
  onPick: (id: ItemId) => void
}) {
  const { t } = useTexts()
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id: item.id })
  const name = item.kind === 'section' ? item.title || t('Section heading') : stepName(item) || t('Step {{n}}', { n: number })
  return (
    <li
      ref={setNodeRef}
      data-item={item.id}
      style={{ transform: CSS.Translate.toString(transform), transition: transition ?? undefined }}
      className={`flex items-start group ${isDragging ? 'relative z-10 bg-wash' : ''} ${item.kind === 'section' ? 'pt-2' : ''}`}
    >
      <button
        type="button"
        className={`grow min-w-0 flex items-start gap-1.5 min-h-8 text-left hover:bg-wash ${ticked ? 'bg-wash border-r-4 border-petrol' : ''}`}
        aria-current={here ? 'step' : undefined}
        title={t('With Shift or Ctrl: choose several')}
        onClick={(event) => (event.shiftKey || event.ctrlKey || event.metaKey ? onTick(item.id, event.shiftKey) : onPick(item.id))}
      >
        {item.kind === 'section' ? (
          <>
            <span className="h-0.5 w-7 bg-ink shrink-0 mt-[15px]" aria-hidden />
            <span className={`text-sm leading-5 py-1.5 font-semibold ${here ? 'underline' : ''}`}>
              {name}
              {item.notReady && <NotReady why={item.notReadyWhy} />}
            </span>
          </>
        ) : (
          <>
            <span className="w-5 shrink-0" aria-hidden>
              <span className={`block ${here ? 'h-1.5 w-5 mt-[13px] bg-kingfisher' : 'h-0.5 w-3.5 mt-[15px] bg-edge'}`} />
            </span>
            <span className="text-xs tabular-nums w-5 text-right text-soft shrink-0 mt-[7px]">{number}</span>
            {lack !== '' && (
              <span className="shrink-0 mt-[7px] text-ochre" title={lack} data-lack>
                <Unplug size={14} aria-hidden />
                <span className="sr-only">{lack}</span>
              </span>
            )}
            {branches && (
              <span className="shrink-0 mt-[7px] text-petrol" title={t('Goes on in several ways')}>
                <Split size={14} aria-hidden />
                <span className="sr-only">{t('Goes on in several ways')}</span>
              </span>
            )}
            {item.check && (
              <span className="shrink-0 mt-[5px] text-sm font-bold text-ochre" title={t('Worth a look')}>
                ?<span className="sr-only"> {t('Worth a look')}</span>
              </span>
            )}
            <span className="py-1.5">
              <span className={`text-sm leading-5 line-clamp-2 ${here ? 'font-bold' : ''}`}>{name}</span>
              {item.notReady && <NotReady why={item.notReadyWhy} />}
              <RemarkMark stepId={item.id} />
            </span>
          </>
        )}
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

function NotReady({ why = '' }: { why?: string | undefined }) {
  const { t } = useTexts()
  return (
    <span className="flex items-start gap-1 text-xs text-ochre font-semibold" title={why}>
      <Construction size={13} className="shrink-0 mt-px" aria-hidden />
      <span className="line-clamp-2">{why ? t('Not ready: {{why}}', { why }) : t('Not ready')}</span>
    </span>
  )
}
