import type { PersonId } from '@jackdaw/core/shared'
import { ChevronDown, ChevronRight } from 'lucide-react'
import { Link } from 'react-router'
import { useTexts } from '../../ui/words/texts'
import type { ChartPerson } from '@jackdaw/core/orgChart'

/** The org chart as a nested list: for phones, and for whoever would rather hear it. */
export function ChartList({
  tops,
  open,
  at,
  onToggle,
}: {
  tops: readonly ChartPerson[]
  open: ReadonlySet<PersonId>
  at: PersonId | undefined
  onToggle: (id: PersonId) => void
}) {
  const { t } = useTexts()
  return (
    <div className="px-4 md:px-6 py-3 max-w-3xl">
      <Level people={tops} label={t('Org chart')} {...{ open, at, onToggle }} />
    </div>
  )
}

function Level({
  people,
  label,
  open,
  at,
  onToggle,
}: {
  people: readonly ChartPerson[]
  label: string
  open: ReadonlySet<PersonId>
  at: PersonId | undefined
  onToggle: (id: PersonId) => void
}) {
  const { t } = useTexts()
  return (
    <ul aria-label={label} className="border-l border-hair pl-2">
      {people.map((person) => (
        <li key={person.id}>
          <div className={`flex items-center gap-1 min-h-11 ${person.id === at ? 'bg-wash' : ''}`}>
            {person.reports.length > 0 ? (
              <button
                type="button"
                className="size-9 shrink-0 inline-flex items-center justify-center"
                aria-expanded={open.has(person.id)}
                aria-label={t('{{name}}: {{count}} people below', { name: person.name, count: person.below })}
                onClick={() => onToggle(person.id)}
              >
                {open.has(person.id) ? <ChevronDown size={16} aria-hidden /> : <ChevronRight size={16} aria-hidden />}
              </button>
            ) : (
              <span className="size-9 shrink-0" />
            )}
            <span className="min-w-0">
              <Link to={`/people/${person.id}`} className="font-semibold hover:underline" dir="auto">
                {person.name}
              </Link>
              <span className="block text-sm text-soft">
                {[person.jobTitle, person.below > 0 && t('{{count}} people below', { count: person.below })].filter(Boolean).join(' · ')}
              </span>
            </span>
          </div>
          {open.has(person.id) && person.reports.length > 0 && (
            <div className="ml-4">
              <Level people={person.reports} label={t('Reports to {{name}}', { name: person.name })} {...{ open, at, onToggle }} />
            </div>
          )}
        </li>
      ))}
    </ul>
  )
}
