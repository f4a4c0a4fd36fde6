import { NavLink } from 'react-router'
import { useTexts } from '../ui/words/texts'
import { useMe } from './session'

/** The parts of the area People: the directory for everybody, the others as far as one may. */
export function PeopleTabs() {
  const { t } = useTexts()
  const { permissions } = useMe()
  const uses = permissions.includes('guides.publish') || permissions.includes('guides.all')
  const parts: { to: string; words: string; shown: boolean }[] = [
    { to: '/people', words: t('Directory'), shown: true },
    { to: '/people/chart', words: t('Org chart'), shown: true },
    { to: '/people/roles', words: t('Roles'), shown: true },
    { to: '/people/groups', words: t('Groups'), shown: true },
    { to: '/people/audiences', words: t('Audiences'), shown: uses },
    { to: '/people/rights', words: t('Changes of rights'), shown: permissions.includes('company.settings') },
  ]
  return (
    <nav aria-label={t('People')} className="flex overflow-x-auto print:hidden border-y border-hair px-2 md:px-4">
      {parts
        .filter((part) => part.shown)
        .map(({ to, words }) => (
          <NavLink
            key={to}
            to={to}
            end={to === '/people'}
            className="px-3 min-h-11 inline-flex items-center whitespace-nowrap no-underline text-ink border-b-3 border-transparent aria-[current=page]:border-petrol aria-[current=page]:font-semibold"
          >
            {words}
          </NavLink>
        ))}
    </nav>
  )
}
