import type { ItemState } from '@jackdaw/core/items'
import { Circle, CircleCheck, CircleDotDashed, CircleSlash2, Clock3, Hourglass, RotateCw, TriangleAlert } from 'lucide-react'
import { useTexts } from './words/texts'
import { dayOf } from './words/format'

const MARKS = {
  late: { Icon: TriangleAlert, color: 'text-brick' },
  'due-soon': { Icon: Clock3, color: 'text-ochre' },
  'out-of-date': { Icon: RotateCw, color: 'text-ochre' },
  'in-progress': { Icon: CircleDotDashed, color: 'text-petrol' },
  'not-started': { Icon: Circle, color: 'text-soft' },
  waiting: { Icon: Hourglass, color: 'text-petrol' },
  done: { Icon: CircleCheck, color: 'text-moss' },
  waived: { Icon: CircleSlash2, color: 'text-soft' },
} as const

/** A state as a shape and a word. */
export function StateMark({ state, dueOn, daysLeft }: { state: ItemState; dueOn?: string | null; daysLeft?: number | null }) {
  const { t } = useTexts()
  const { Icon, color } = MARKS[state]
  const words = {
    late: daysLeft != null && daysLeft < 0 ? t('{{count}} days late', { count: -daysLeft }) : t('Late'),
    'due-soon': dueOn ? t('Due {{day}}', { day: dayOf(dueOn) }) : t('Due soon'),
    'out-of-date': t('Out of date'),
    'in-progress': t('In progress'),
    'not-started': t('Not started'),
    waiting: t('Waits for somebody'),
    done: t('Done'),
    waived: t('Waived'),
  }[state]
  return (
    <span className={`inline-flex items-center gap-1.5 whitespace-nowrap font-semibold ${color}`}>
      <Icon size={16} strokeWidth={2.2} aria-hidden />
      {words}
    </span>
  )
}
