import { wordsOf, type Option } from '@jackdaw/core/quizzes'
import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core'
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { Button, chosen, Select } from '../../../ui'
import { useTexts } from '../../../ui/words/texts'
import { ContentView, type FileSource } from '../../ContentView'
import type { AnswerField } from './answerField'

const POINTER = { activationConstraint: { distance: 6 } }

/** Entries that are put into order: dragged, or moved by their arrows. */
export function OrderAnswer({ question, answer, disabled, source, onAnswer }: AnswerField<'order'>) {
  const { t } = useTexts()
  const { entries } = question.ask
  const sensors = useSensors(useSensor(PointerSensor, POINTER))
  const order = (answer?.order ?? entries.map(({ id }) => id)).flatMap((id) => entries.find((entry) => entry.id === id) ?? [])
  const ids = order.map(({ id }) => id)
  const move = (from: number, to: number) => {
    if (disabled || from < 0 || to < 0 || to >= ids.length) return
    const next = [...ids]
    next.splice(to, 0, ...next.splice(from, 1))
    onAnswer({ order: next }, true)
  }
  const drop = ({ active, over }: DragEndEvent) =>
    over && active.id !== over.id && move(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))
  return (
    <div className="space-y-3">
      <p className="text-sm text-soft">{t('Put these into the right order, the first on top')}</p>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
        <SortableContext items={ids} strategy={verticalListSortingStrategy} disabled={disabled}>
          <ol className="space-y-2">
            {order.map((entry, n) => (
              <Entry key={entry.id} {...{ entry, n, disabled, source }} last={n === order.length - 1} onMove={(to) => move(n, to)} />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      {answer === null && !disabled && (
        <Button className="min-h-14" onClick={() => onAnswer({ order: ids }, true)}>
          {t('It is right as it stands')}
        </Button>
      )}
    </div>
  )
}

function Entry({
  entry,
  n,
  last,
  disabled,
  source,
  onMove,
}: {
  entry: Option
  n: number
  last: boolean
  disabled: boolean
  source: FileSource
  onMove: (to: number) => void
}) {
  const { t } = useTexts()
  const { listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: entry.id })
  const name = wordsOf(entry.content) || String(n + 1)
  const arrow = 'w-14 min-h-14 shrink-0 flex items-center justify-center border-l border-hair hover:bg-wash disabled:opacity-35'
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition: transition ?? undefined }}
      className={`flex items-stretch border border-edge bg-sheet touch-manipulation ${isDragging ? 'relative z-10 bg-wash' : ''}`}
    >
      {/* By keys it is moved by its arrows. */}
      <div className={`grow min-w-0 flex items-stretch ${disabled ? '' : 'cursor-grab'}`} {...listeners}>
        <span className="w-10 shrink-0 flex items-center justify-center tabular-nums font-semibold">{n + 1}</span>
        <div className="grow min-w-0 py-3 pr-2 flex items-center">
          <ContentView content={entry.content} source={source} />
        </div>
      </div>
      <button
        type="button"
        className={arrow}
        aria-label={t('Move up: {{name}}', { name })}
        disabled={disabled || n === 0}
        onClick={() => onMove(n - 1)}
      >
        <ArrowUp size={20} aria-hidden />
      </button>
      <button
        type="button"
        className={arrow}
        aria-label={t('Move down: {{name}}', { name })}
        disabled={disabled || last}
        onClick={() => onMove(n + 1)}
      >
        <ArrowDown size={20} aria-hidden />
      </button>
    </li>
  )
}

const letterOf = (n: number) => String.fromCharCode(65 + n)
/** To each on the left, what belongs to it is chosen by its letter. */
export function MatchAnswer({ question, answer, disabled, source, onAnswer }: AnswerField<'match'>) {
  const { t } = useTexts()
  const { left, right } = question.ask
  const to = new Map(answer?.pairs)
  const put = (id: string, other: string) => {
    const next = new Map([...to, [id, other]])
    if (other === '') next.delete(id)
    const pairs = left.flatMap(({ id: each }): [string, string][] => (next.has(each) ? [[each, next.get(each)!]] : []))
    onAnswer(pairs.length > 0 ? { pairs } : null, true)
  }
  return (
    <div className="space-y-4">
      <p className="text-sm text-soft">{t('Say what belongs to each')}</p>
      <ul className="grid sm:grid-cols-2 gap-x-6 gap-y-2 border-y border-hair py-3">
        {right.map((option, n) => (
          <li key={option.id} className="flex gap-3 items-baseline min-w-0">
            <span className="font-semibold w-5 shrink-0">{letterOf(n)}</span>
            <ContentView content={option.content} source={source} />
          </li>
        ))}
      </ul>
      <ul className="space-y-3">
        {left.map((option, n) => (
          <li key={option.id} className="grid sm:grid-cols-2 gap-2 items-center">
            <ContentView content={option.content} source={source} />
            <Select
              label={<span className="sr-only">{t('Belongs to: {{name}}', { name: wordsOf(option.content) || String(n + 1) })}</span>}
              className="w-full border border-edge bg-sheet min-h-14 px-3 text-base"
              disabled={disabled}
              value={to.get(option.id) ?? ''}
              onChange={chosen((other) => put(option.id, other))}
            >
              <option value="">{t('choose …')}</option>
              {right.map((each, at) => (
                <option key={each.id} value={each.id}>
                  {`${letterOf(at)}  ${wordsOf(each.content).slice(0, 80)}`}
                </option>
              ))}
            </Select>
          </li>
        ))}
      </ul>
    </div>
  )
}
