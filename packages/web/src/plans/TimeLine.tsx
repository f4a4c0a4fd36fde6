import type { PlanItemFacts } from '@jackdaw/contracts/plans'
import { itemKey, type ItemRef } from '@jackdaw/core/items'
import { daysOfStage, moveItemBy, moveItemTo, removeItem, timeLineOf, type PlacedStage, type PlanDocument } from '@jackdaw/core/plans'
import { nth, type StageId } from '@jackdaw/core/shared'
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import type { KeyboardEvent } from 'react'
import { useTexts } from '../ui/words/texts'

/** Width of a day and of the column with the titles, in pixels. */
const DAY_PX = 34
const TITLES_PX = 232
const POINTER = { activationConstraint: { distance: 4 } }
// What keys do to an item is done by the item itself.
const NO_KEYS = { keyboardCodes: { start: [], cancel: ['Escape'], end: [] } }

/** What is selected in a plan: a stage, or an item. */
export type Selected = { stage: StageId } | { item: ItemRef } | null
type Known = ReadonlyMap<string, PlanItemFacts>
const minutesIn = (known: Known) => (key: string) => known.get(key)?.minutes ?? 0

/** A plan as a time line from day 1: stages with their items on their days, free days between, and the minutes of every day on top. Items are moved by hand
 * or by keys. */
export function TimeLine({
  document,
  known,
  selected,
  onSelect,
  onChange,
}: {
  document: PlanDocument
  known: Known
  selected: Selected
  onSelect: (selected: Selected) => void
  onChange: (document: PlanDocument) => void
}) {
  const { t } = useTexts()
  const sensors = useSensors(useSensor(PointerSensor, POINTER), useSensor(KeyboardSensor, NO_KEYS))
  const { stages, days, length } = timeLineOf(document, minutesIn(known))
  // Room to drag something further to the right.
  const shown = length + 5
  const drop = ({ active, over, delta }: DragEndEvent) => {
    const item = active.data.current?.['item'] as ItemRef | undefined
    const from = stages.find(({ items }) => items.some((each) => itemKey(each.item) === active.id))
    const placed = from?.items.find((each) => itemKey(each.item) === active.id)
    if (!item || !from || !placed) return
    const moved = Math.round(delta.x / DAY_PX)
    const to = stages.find(({ stage }) => stage.id === over?.id) ?? from
    onChange(
      to.stage.id === from.stage.id
        ? moved === 0
          ? document
          : moveItemBy(document, item, moved)
        : moveItemTo(document, item, to.stage.id, placed.on + moved - to.from + 1),
    )
  }
  return (
    <DndContext sensors={sensors} onDragEnd={drop}>
      <div className="overflow-x-auto pb-2" tabIndex={0} role="group" aria-label={t('Time line of the plan')}>
        <div style={{ width: TITLES_PX + shown * DAY_PX }}>
          <Load {...{ days, shown, limit: document.dayLimitMin }} />
          {stages.map((placed, n) => (
            <StageRows key={placed.stage.id} {...{ placed, n, document, known, selected, onSelect, onChange, shown }} />
          ))}
        </div>
      </div>
      <p className="text-sm text-soft px-4 md:px-6 py-2">
        {t(
          'Drag an item to another day or stage; or choose it and press ← → for the day, Alt with ↑ ↓ for the stage, Delete to take it out.',
        )}
      </p>
    </DndContext>
  )
}

/** The minutes of each day as bars, with the limit as a line; what is over it has a sign and its number. */
function Load({
  days,
  shown,
  limit,
}: {
  days: readonly { day: number; minutes: number; over: number }[]
  shown: number
  limit: number | null
}) {
  const { t } = useTexts()
  const most = Math.max(limit ?? 0, ...days.map(({ minutes }) => minutes), 30)
  const byDay = new Map(days.map((each) => [each.day, each]))
  return (
    <div className="flex border-b-2 border-ink sticky top-0 bg-sheet z-10">
      <div className="shrink-0 sticky left-0 bg-sheet z-10 px-4 md:px-6 self-end pb-1 text-sm" style={{ width: TITLES_PX }}>
        <span className="font-semibold">{t('Minutes a day')}</span>
        {limit !== null && <span className="block text-soft">{t('limit {{minutes}} min', { minutes: limit })}</span>}
      </div>
      <ol className="flex relative h-24 items-end">
        {limit !== null && (
          <span
            className="absolute inset-x-0 border-t border-dashed border-brick"
            style={{ bottom: 20 + (limit / most) * 56 }}
            aria-hidden
          />
        )}
        {Array.from({ length: shown }, (_, n) => {
          const found = byDay.get(n + 1)
          return (
            <li key={n} className="flex flex-col items-center justify-end text-xs" style={{ width: DAY_PX }}>
              {found && found.minutes > 0 && (
                <span className={found.over > 0 ? 'text-brick font-semibold' : ''}>
                  {found.over > 0 && <span aria-hidden>▲</span>}
                  {found.minutes}
                  <span className="sr-only">
                    {' '}
                    {found.over > 0
                      ? t('minutes on day {{day}}, {{over}} over the limit', { day: n + 1, over: found.over })
                      : t('minutes on day {{day}}', { day: n + 1 })}
                  </span>
                </span>
              )}
              <span
                className={`w-4 ${found && found.over > 0 ? 'bg-brick' : 'bg-petrol'}`}
                style={{ height: found ? (found.minutes / most) * 56 : 0 }}
                aria-hidden
              />
              <span className="h-5 leading-5 text-soft tabular-nums" aria-hidden>
                {n + 1}
              </span>
            </li>
          )
        })}
      </ol>
    </div>
  )
}

type RowsProps = {
  placed: PlacedStage
  n: number
  document: PlanDocument
  known: Known
  selected: Selected
  shown: number
  onSelect: (selected: Selected) => void
  onChange: (document: PlanDocument) => void
}
const left = (day: number) => (day - 1) * DAY_PX

/** A stage: its band from its first to its last day, the free days before it, and a row for each of its items. */
function StageRows({ placed, n, document, known, selected, shown, onSelect, onChange }: RowsProps) {
  const { t } = useTexts()
  const { stage, freeFrom, from, until, items } = placed
  const { setNodeRef, isOver } = useDroppable({ id: stage.id })
  const isSelected = selected !== null && 'stage' in selected && selected.stage === stage.id
  const free = from - freeFrom
  return (
    <section
      ref={setNodeRef}
      aria-label={t('Stage {{name}}', { name: stage.name })}
      className={`border-b border-edge ${isOver ? 'bg-wash' : ''}`}
    >
      <div className="flex">
        <button
          type="button"
          aria-pressed={isSelected}
          className="shrink-0 sticky left-0 z-[5] text-left px-4 md:px-6 py-1.5 bg-sheet hover:bg-wash aria-pressed:bg-wash border-l-4 border-transparent aria-pressed:border-kingfisher"
          style={{ width: TITLES_PX }}
          onClick={() => onSelect({ stage: stage.id })}
        >
          <span className="font-semibold [overflow-wrap:anywhere]">
            {n + 1}. {stage.name}
          </span>
          <span className="block text-xs text-soft">
            {t('{{count}} days', { count: daysOfStage(stage) })}
            {n > 0 && ` · ${releaseWords(t, stage.release)}`}
          </span>
        </button>
        <div className="relative h-11" style={{ width: shown * DAY_PX }} aria-hidden>
          {free > 0 && (
            <span
              className="absolute top-3 h-5 text-xs text-soft text-center border-y border-dashed border-edge whitespace-nowrap overflow-hidden"
              style={{ left: left(freeFrom), width: free * DAY_PX }}
            >
              {free * DAY_PX > 40 ? t('free') : ''}
            </span>
          )}
          <span className="absolute top-3 h-5 bg-ink/85" style={{ left: left(from) + 1, width: (until - from + 1) * DAY_PX - 2 }} />
        </div>
      </div>
      {items.map((each) => (
        <ItemRow key={itemKey(each.item)} {...{ each, placed, document, known, selected, shown, onSelect, onChange }} />
      ))}
      {items.length === 0 && (
        <p className="text-sm text-soft px-4 md:px-6 pb-2 sticky left-0 w-fit">
          {stage.note || t('Nothing stands in this stage yet. Choose it, then put items into it.')}
        </p>
      )}
    </section>
  )
}

const releaseWords = (t: (words: string) => string, release: PlanDocument['stages'][number]['release']): string =>
  ({ date: t('after its time'), completion: t('after what was to be done'), both: t('after both') })[release]

function ItemRow({
  each,
  placed,
  document,
  known,
  selected,
  shown,
  onSelect,
  onChange,
}: Omit<RowsProps, 'n'> & { each: PlacedStage['items'][number] }) {
  const { t } = useTexts()
  const { item, on, day, optional } = each
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: itemKey(item), data: { item } })
  const facts = known.get(itemKey(item))
  const isSelected = selected !== null && 'item' in selected && itemKey(selected.item) === itemKey(item)
  const title = facts?.title ?? t('Something that is not there any more')
  const keys = (event: KeyboardEvent) => {
    const { stages } = document
    const at = stages.findIndex(({ id }) => id === placed.stage.id)
    const side = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
    const way = { ArrowUp: -1, ArrowDown: 1 }[event.key]
    if (side !== undefined) onChange(moveItemBy(document, item, side))
    else if (way !== undefined && event.altKey && at + way >= 0 && at + way < stages.length)
      onChange(moveItemTo(document, item, nth(stages, at + way).id, day))
    else if (event.key === 'Delete') {
      onSelect(null)
      onChange(removeItem(document, item))
    } else return
    event.preventDefault()
  }
  const moved = transform ? `translate(${Math.round(transform.x / DAY_PX) * DAY_PX}px, ${transform.y}px)` : undefined
  return (
    <div className={`flex ${isSelected ? 'bg-wash' : ''}`}>
      <div className="shrink-0 sticky left-0 z-[5] bg-inherit px-4 md:px-6 py-1 text-sm" style={{ width: TITLES_PX }}>
        <span className={`block truncate pl-4 ${isSelected ? 'font-semibold' : ''}`} title={title}>
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
          aria-label={t('{{title}}, day {{day}} of {{stage}}, {{minutes}} min', {
            ...{ title, day, stage: placed.stage.name, minutes: facts?.minutes ?? 0 },
          })}
          className={`absolute top-1 h-6 px-1 text-xs rounded-sm border touch-none cursor-grab tabular-nums ${isDragging ? 'z-20 cursor-grabbing' : ''} ${
            !facts?.usable
              ? 'bg-sheet text-brick border-brick'
              : optional
                ? 'bg-sheet text-petrol border-petrol border-dashed'
                : 'bg-petrol text-white border-petrol'
          } aria-pressed:ring-2 aria-pressed:ring-kingfisher`}
          style={{ left: left(on) + 2, minWidth: DAY_PX - 4, transform: moved }}
          onClick={() => onSelect({ item })}
          onFocus={() => onSelect({ item })}
          onKeyDown={keys}
        >
          {facts?.usable ? `${facts.minutes}′` : '!'}
        </button>
      </div>
    </div>
  )
}
