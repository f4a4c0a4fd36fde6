import type { Publication } from '@jackdaw/contracts/publishing'
import type { AudienceRule } from '@jackdaw/core/audiences'
import type { PersonId, RoleId, TeamId } from '@jackdaw/core/shared'
import { X } from 'lucide-react'
import { useDeferredValue, useState } from 'react'
import { useTexts } from '../ui/words/texts'
import { useGroups, usePeople } from '../people'
import { Check, Loaded } from '../ui'

const toggled = <T,>(list: readonly T[], entry: T): T[] => (list.includes(entry) ? list.filter((each) => each !== entry) : [...list, entry])

/** Who gets a guide: teams and roles by a tick, single people by name. */
export function AudienceFields({
  audience,
  onChange,
  named,
}: {
  audience: AudienceRule
  onChange: (audience: AudienceRule) => void
  named: Publication['named']
}) {
  const { t } = useTexts()
  const groups = useGroups()
  return (
    <div className="grid sm:grid-cols-2 gap-x-6 gap-y-5">
      <Loaded query={groups}>
        {({ teams, roles }) => (
          <>
            <fieldset>
              <legend className="text-sm font-semibold mb-1">{t('Teams')}</legend>
              {teams.map((team) => (
                <Check
                  key={team.id}
                  checked={audience.teams.includes(team.id)}
                  onChange={() => onChange({ ...audience, teams: toggled<TeamId>(audience.teams, team.id) })}
                  label={
                    <>
                      {team.name} <span className="text-soft">({team.people})</span>
                    </>
                  }
                />
              ))}
            </fieldset>
            <fieldset>
              <legend className="text-sm font-semibold mb-1">{t('Roles')}</legend>
              {roles.map((role) => (
                <Check
                  key={role.id}
                  checked={audience.roles.includes(role.id)}
                  onChange={() => onChange({ ...audience, roles: toggled<RoleId>(audience.roles, role.id) })}
                  label={
                    <>
                      {role.name} <span className="text-soft">({role.people})</span>
                    </>
                  }
                />
              ))}
            </fieldset>
          </>
        )}
      </Loaded>
      <div className="sm:col-span-2">
        <PeopleField chosen={audience.people} named={named} onChange={(people) => onChange({ ...audience, people })} />
      </div>
    </div>
  )
}

function PeopleField({
  chosen,
  named,
  onChange,
}: {
  chosen: readonly PersonId[]
  named: Publication['named']
  onChange: (people: PersonId[]) => void
}) {
  const { t } = useTexts()
  const [find, setFind] = useState('')
  const wanted = useDeferredValue(find.trim())
  const people = usePeople(wanted)
  const [names, setNames] = useState(() => new Map<PersonId, string>(named.map((person) => [person.id, person.name])))
  const hits = wanted === '' || find.trim() === '' ? [] : (people.data ?? []).filter((person) => !chosen.includes(person.id)).slice(0, 6)
  const add = (person: { id: PersonId; name: string }) => {
    setNames((now) => new Map(now).set(person.id, person.name))
    onChange([...chosen, person.id])
    setFind('')
  }
  return (
    <div>
      <label className="block text-sm font-semibold mb-1" htmlFor="people-find">
        {t('Single people')}
      </label>
      <ul className="flex flex-wrap gap-1.5 mb-1.5">
        {chosen.map((id) => (
          <li key={id} className="inline-flex items-center bg-wash pl-2">
            <span>{names.get(id) ?? '…'}</span>
            <button
              type="button"
              className="size-8 flex items-center justify-center"
              aria-label={t('Take out {{name}}', { name: names.get(id) })}
              onClick={() => onChange(chosen.filter((each) => each !== id))}
            >
              <X size={14} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <input
        id="people-find"
        value={find}
        onChange={(event) => setFind(event.target.value)}
        autoComplete="off"
        placeholder={t('Part of a name')}
        className="w-full max-w-80 min-h-10 px-3 border border-edge rounded-md"
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault()
            if (hits[0]) add(hits[0])
          }
        }}
      />
      {hits.length > 0 && (
        <ul className="border border-edge max-w-80 bg-sheet" aria-label={t('People found')}>
          {hits.map((person) => (
            <li key={person.id}>
              <button type="button" className="w-full text-left px-3 min-h-10 hover:bg-wash" onClick={() => add(person)}>
                {person.name}{' '}
                <span className="text-soft text-sm">
                  {person.department}, {person.site}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {wanted !== '' && find.trim() !== '' && people.data && !people.isPlaceholderData && hits.length === 0 && (
        <p className="text-sm text-soft mt-1">{t('Nobody of that name is left to add.')}</p>
      )}
    </div>
  )
}
