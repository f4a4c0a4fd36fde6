import type { Publication } from '@jackdaw/contracts/publishing'
import type { AudienceRule } from '@jackdaw/core/audiences'
import type { RoleId, TeamId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useGroups } from '../people'
import { PersonPicker } from '../people/PersonPicker'
import { Check, Loaded } from '../ui'
import { useTexts } from '../ui/words/texts'

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
  const [people, setPeople] = useState(() => named.filter((person) => audience.people.includes(person.id)))
  return (
    <div className="grid sm:grid-cols-2 gap-x-6 gap-y-5">
      <Loaded query={groups}>
        {({ teams, roles }) => (
          <>
            <GroupChecks<TeamId>
              legend={t('Teams')}
              groups={teams}
              chosen={audience.teams}
              onToggle={(id) => onChange({ ...audience, teams: toggled(audience.teams, id) })}
            />
            <GroupChecks<RoleId>
              legend={t('Roles')}
              groups={roles}
              chosen={audience.roles}
              onToggle={(id) => onChange({ ...audience, roles: toggled(audience.roles, id) })}
            />
          </>
        )}
      </Loaded>
      <div className="sm:col-span-2">
        <PersonPicker
          label={t('Single people')}
          chosen={people}
          onChange={(next) => {
            setPeople(next)
            onChange({ ...audience, people: next.map((person) => person.id) })
          }}
        />
      </div>
    </div>
  )
}

/** Groups of a kind, each with how many are in it. */
function GroupChecks<Id extends string>({
  legend,
  groups,
  chosen,
  onToggle,
}: {
  legend: string
  groups: readonly { id: Id; name: string; people: number }[]
  chosen: readonly Id[]
  onToggle: (id: Id) => void
}) {
  return (
    <fieldset>
      <legend className="text-sm font-semibold mb-1">{legend}</legend>
      {groups.map((group) => (
        <Check
          key={group.id}
          checked={chosen.includes(group.id)}
          onChange={() => onToggle(group.id)}
          label={
            <>
              {group.name} <span className="text-soft">({group.people})</span>
            </>
          }
        />
      ))}
    </fieldset>
  )
}
