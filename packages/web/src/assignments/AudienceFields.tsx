import type { AudienceChoice, AudienceShown, NamesOfRule } from '@jackdaw/contracts/audiences'
import type { GroupRef, PersonRef } from '@jackdaw/contracts/people'
import { NOBODY, ticked, ticksOf, type AudienceRule } from '@jackdaw/core/audiences'
import type { AudienceId, GroupId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useAudiences } from '../audiences/queries'
import { RuleBuilder } from '../audiences/RuleBuilder'
import { wholeRule, type RuleDraft } from '../audiences/ruleDraft'
import { useGroups } from '../people'
import { kindsWords } from '../people/kindWords'
import { PersonPicker } from '../people/PersonPicker'
import { Check, Loaded, Radios, Select, TextLink } from '../ui'
import { useTexts } from '../ui/words/texts'

const toggled = <T,>(list: readonly T[], entry: T): T[] => (list.includes(entry) ? list.filter((each) => each !== entry) : [...list, entry])
type How = 'ticks' | 'saved' | 'rule'

/** How somebody has said so far who is meant. */
function howOf(choice: AudienceChoice): How {
  if ('saved' in choice) return 'saved'
  return ticksOf(choice) ? 'ticks' : 'rule'
}

/** Where nothing has been chosen yet. */
export const NOBODY_YET: AudienceShown = { choice: NOBODY, rule: NOBODY, name: null, sentence: '', names: { groups: [], people: [] } }

/** Who gets a guide: groups and people by a tick, an audience that is saved, or a rule.
 * @param onChange is told `null` while something is still to be chosen */
export function AudienceFields({ shown, onChange }: { shown: AudienceShown; onChange: (choice: AudienceChoice | null) => void }) {
  const { t } = useTexts()
  const [how, setHow] = useState(() => howOf(shown.choice))
  const [rule, setRule] = useState<RuleDraft>(shown.rule)
  const [saved, setSaved] = useState<AudienceId | null>('saved' in shown.choice ? shown.choice.saved : null)
  const [named, setNamed] = useState<PersonRef[]>(() => shown.names.people.map(({ id, name }) => ({ id, name })))
  const change = (next: RuleDraft) => {
    setRule(next)
    onChange(wholeRule(next))
  }
  const choose = (next: How) => {
    setHow(next)
    if (next === 'saved') return onChange(saved ? { saved } : null)
    const kept = next === 'ticks' && !ticksOf(rule) ? NOBODY : rule
    change(kept)
  }
  return (
    <div className="space-y-4">
      <Radios
        label={t('How you say who it is')}
        hidden
        value={how}
        onChange={choose}
        options={[
          { value: 'ticks', words: t('Groups and people by a tick') },
          { value: 'saved', words: t('A saved audience') },
          { value: 'rule', words: t('A rule of its own'), hint: t('By and, or, not; by manager, first day, level; with exceptions.') },
        ]}
      />
      {how === 'ticks' && <Ticks {...{ rule, named }} onNamed={setNamed} onChange={change} />}
      {how === 'saved' && (
        <SavedChoice
          saved={saved}
          onChange={(id) => {
            setSaved(id)
            onChange(id ? { saved: id } : null)
          }}
        />
      )}
      {how === 'rule' && <RuleBuilder rule={rule} names={withPeople(shown.names, named)} onChange={change} />}
    </div>
  )
}
/** The names of a rule, and of people who were named meanwhile. */
const withPeople = (names: NamesOfRule, people: readonly PersonRef[]): NamesOfRule => ({
  ...names,
  people: [...names.people, ...people.map((person) => ({ ...person, active: true }))],
})

/** Groups of each kind, by a tick, and single people. */
function Ticks({
  rule,
  named,
  onNamed,
  onChange,
}: {
  rule: AudienceRule
  named: readonly PersonRef[]
  onNamed: (named: PersonRef[]) => void
  onChange: (rule: AudienceRule) => void
}) {
  const { t } = useTexts()
  const groups = useGroups()
  const { groups: chosen, people } = ticksOf(rule) ?? { groups: [], people: [] }
  return (
    <div className="grid sm:grid-cols-2 gap-x-6 gap-y-5">
      <Loaded query={groups}>
        {(all) => {
          const kinds = [...new Set(all.map((group) => group.kind))]
          return kinds.map((kind) => (
            <GroupChecks
              key={kind}
              groups={all.filter((group) => group.kind === kind)}
              chosen={chosen}
              onToggle={(id) => onChange(ticked(toggled(chosen, id), people))}
            />
          ))
        }}
      </Loaded>
      <div className="sm:col-span-2">
        <PersonPicker
          label={t('Single people')}
          chosen={named.filter((person) => people.includes(person.id))}
          onChange={(next) => {
            onNamed([...named, ...next])
            onChange(
              ticked(
                chosen,
                next.map((person) => person.id),
              ),
            )
          }}
        />
      </div>
    </div>
  )
}

/** Groups of a kind, each with how many are in it. */
function GroupChecks({
  groups,
  chosen,
  onToggle,
}: {
  groups: readonly GroupRef[]
  chosen: readonly GroupId[]
  onToggle: (id: GroupId) => void
}) {
  const { t } = useTexts()
  const [first] = groups
  return (
    <fieldset className="max-h-96 overflow-auto">
      <legend className="text-sm font-semibold mb-1">{first && kindsWords(first, t)}</legend>
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

/** An audience that is saved under a name; what it says, and where it is changed. */
function SavedChoice({ saved, onChange }: { saved: AudienceId | null; onChange: (id: AudienceId | null) => void }) {
  const { t } = useTexts()
  const audiences = useAudiences()
  return (
    <Loaded query={audiences}>
      {(all) => {
        const chosen = all.find((each) => each.id === saved)
        if (all.length === 0)
          return (
            <p>
              {t('No audience is saved yet.')} <TextLink to="/people/audiences/new">{t('Build one')}</TextLink>
            </p>
          )
        return (
          <div className="max-w-xl">
            <Select
              label={t('Audience')}
              value={saved ?? ''}
              onChange={(event) => onChange((event.target.value || null) as AudienceId | null)}
            >
              <option value="">{t('Choose one')}</option>
              {all.map((each) => (
                <option key={each.id} value={each.id}>
                  {`${each.name} (${each.people})`}
                </option>
              ))}
            </Select>
            {chosen && (
              <p className="mt-2">
                <span className="font-serif">{chosen.sentence}</span>{' '}
                <TextLink to={`/people/audiences/${chosen.id}`}>{t('Open it')}</TextLink>
              </p>
            )}
          </div>
        )
      }}
    </Loaded>
  )
}
