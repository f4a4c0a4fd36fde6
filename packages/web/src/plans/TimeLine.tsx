import type { ItemFacts } from '@jackdaw/contracts/items'
import { itemKey } from '@jackdaw/core/items'
import { daysOfStage, findPart, placePart, timeLineOf, type PlacedStage, type PlanDocument, type PlanPart } from '@jackdaw/core/plans'
import { DndContext, KeyboardSensor, PointerSensor, useDroppable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core'
import { ArrowLeftRight } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import type { Selected } from './selected'
import { DAY_PX, leftOf, partKey, PartRow, TITLES_PX } from './PartRow'

const POINTER = { activationConstraint: { distance: 4 } }
// What keys do to an item is done by the item itself.
const NO_KEYS = { keyboardCodes: { start: [], cancel: ['Escape'], end: [] } }

type Known = ReadonlyMap<string, ItemFacts>
const minutesIn = (known: Known) => (key: string) => known.get(key)?.minutes ?? 0

/** A plan as a time line from day 1: stages with their items and check-ins on their days, free days between, and the minutes of every day on top. They are moved by
 * hand or by keys. */
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
    const part = active.data.current?.['part'] as PlanPart | undefined
    const found = part && findPart(document, part)
    const from = stages.find(({ stage }) => stage === found?.stage)
    if (!part || !found || !from) return
    const to = stages.find(({ stage }) => stage.id === over?.id) ?? from
    onChange(placePart(document, part, to.stage.id, from.from + found.day + Math.round(delta.x / DAY_PX) - to.from))
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
          'Drag an item or a check-in to another day or stage; or choose it and press ← → for the day, Alt with ↑ ↓ for the stage, Delete to take it out.',
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

/** A stage: its band from its first to its last day, the free days before it, and a row for each of its items. */
function StageRows({ placed, n, document, known, selected, shown, onSelect, onChange }: RowsProps) {
  const { t } = useTexts()
  const { stage, freeFrom, from, until, items, checkIns } = placed
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
              style={{ left: leftOf(freeFrom), width: free * DAY_PX }}
            >
              {free * DAY_PX > 40 ? t('free') : ''}
            </span>
          )}
          <span className="absolute top-3 h-5 bg-ink/85" style={{ left: leftOf(from) + 1, width: (until - from + 1) * DAY_PX - 2 }} />
        </div>
      </div>
      {items.map((each) => {
        const [part, facts] = [{ item: each.item }, known.get(itemKey(each.item))]
        const look = !facts?.usable ? 'lost' : each.optional ? 'optional' : 'item'
        const title = facts?.title ?? t('Something that is not there any more')
        const name = t('{{title}}, day {{day}} of {{stage}}, {{minutes}} min', {
          ...{ title, day: each.day, stage: stage.name, minutes: facts?.minutes ?? 0 },
        })
        return (
          <PartRow key={partKey(part)} {...{ part, look, title, name, document, selected, shown, onSelect, onChange }} on={each.on}>
            {facts?.usable ? `${facts.minutes}′` : '!'}
          </PartRow>
        )
      })}
      {checkIns.map((each) => {
        const part = { checkIn: each.id }
        const name = t('Check-in {{title}}, day {{day}} of {{stage}}', { title: each.name, day: each.day, stage: stage.name })
        return (
          <PartRow
            key={partKey(part)}
            {...{ part, name, document, selected, shown, onSelect, onChange }}
            look="check-in"
            title={each.name || t('A check-in without a name')}
            on={each.on}
          >
            <ArrowLeftRight size={14} aria-hidden />
          </PartRow>
        )
      })}
      {items.length + checkIns.length === 0 && (
        <p className="text-sm text-soft px-4 md:px-6 pb-2 sticky left-0 w-fit">
          {stage.note || t('Nothing stands in this stage yet. Choose it, then put items into it.')}
        </p>
      )}
    </section>
  )
}

const releaseWords = (t: (words: string) => string, release: PlanDocument['stages'][number]['release']): string =>
  ({ date: t('after its time'), completion: t('after what was to be done'), both: t('after both') })[release]
