import { NavLink } from 'react-router'
import { useMe } from '../people'
import { useTexts } from '../ui/words/texts'

/** The parts of the area Plans: what people go through, what they do in the real world, and by which questions it shows what they can do. */
export function PlanTabs() {
  const { t } = useTexts()
  const me = useMe()
  const leads = me.permissions.includes('guides.all')
  return (
    <nav aria-label={t('Plans')} className="flex overflow-x-auto border-y border-hair px-2 md:px-4">
      {(
        [
          ...(leads ? ([['/plans', t('Plans')]] as const) : []),
          ['/tasks', t('Tasks')],
          ['/quizzes', t('Quizzes')],
          ['/banks', t('Question banks')],
        ] as const
      ).map(([to, words]) => (
        <NavLink
          key={to}
          to={to}
          className="px-3 min-h-11 inline-flex items-center whitespace-nowrap no-underline text-ink border-b-3 border-transparent aria-[current=page]:border-petrol aria-[current=page]:font-semibold"
        >
          {words}
        </NavLink>
      ))}
    </nav>
  )
}
