import { NavLink } from 'react-router'

/** The parts of an area of the application, each a page. @param label the area's name */
export const PageTabs = ({ label, parts }: { label: string; parts: readonly { to: string; words: string; end?: boolean }[] }) => (
  <nav aria-label={label} className="flex overflow-x-auto print:hidden border-y border-hair px-2 md:px-4">
    {parts.map(({ to, words, end = false }) => (
      <NavLink
        key={to}
        to={to}
        end={end}
        className="px-3 min-h-11 inline-flex items-center whitespace-nowrap no-underline text-ink border-b-3 border-transparent aria-[current=page]:border-petrol aria-[current=page]:font-semibold"
      >
        {words}
      </NavLink>
    ))}
  </nav>
)
