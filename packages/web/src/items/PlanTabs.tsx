import { NavLink } from 'react-router'
import { useMe } from '../people'
import { useTexts } from '../ui/words/texts'

/** The parts of the area Plans: what people go through, and what they do in the real world. */
export function PlanTabs() {
  const { t } = useTexts()
  const me = useMe()
  if (!me.permissions.includes('guides.all')) return null
  return (
    <nav aria-label={t('Plans')} className="flex overflow-x-auto border-y border-hair px-2 md:px-4">
      {(
        [
          ['/plans', t('Plans')],
          ['/tasks', t('Tasks')],
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
