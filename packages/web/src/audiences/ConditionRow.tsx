import type { Asks, Condition } from '@jackdaw/core/audiences'
import { RULE_LIMITS } from '@jackdaw/core/audiences'
import { Level } from '@jackdaw/core/people'
import { localDateAt } from '@jackdaw/core/shared'
import type { PersonRef } from '@jackdaw/contracts/people'
import { X } from 'lucide-react'
import { GroupPicker } from '../people/GroupPicker'
import { PersonPicker } from '../people/PersonPicker'
import { Check, chosen, DateField, IconButton, NumberField } from '../ui'
import { boxClass } from '../ui/fields/Frame'
import { useTexts } from '../ui/words/texts'
import { beginning, isWhole } from './ruleDraft'

/** What things are called that a rule names; people who are chosen are added to it. */
export type Named = {
  groups: ReadonlyMap<string, string>
  people: ReadonlyMap<string, string>
  add: (people: readonly PersonRef[]) => void
}
type Of<A extends Asks> = Extract<Condition, { asks: A }>
type FieldsOf<A extends Asks> = { condition: Of<A>; named: Named; onChange: (condition: Of<A>) => void }

const today = () => localDateAt(Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone)

/** What is asked, as one choice: each kind, and its opposite. */
export function ConditionRow({
  condition,
  named,
  onChange,
  onRemove,
}: {
  condition: Condition
  named: Named
  onChange: (condition: Condition) => void
  onRemove: () => void
}) {
  const { t } = useTexts()
  const Fields = FIELDS[condition.asks] as (props: {
    condition: Condition
    named: Named
    onChange: (condition: Condition) => void
  }) => React.ReactNode
  const asked: [Asks, string, string][] = [
    ['group', t('is in'), t('is not in')],
    ['manager', t('reports to'), t('does not report to')],
    ['started-since', t('started on or after'), t('did not start on or after')],
    ['started-within', t('started within the last'), t('did not start within the last')],
    ['level', t('has the level'), t('does not have the level')],
    ['person', t('is'), t('is not')],
  ]
  return (
    <div className="flex flex-wrap sm:flex-nowrap items-start gap-x-3 gap-y-1 py-2">
      <select
        aria-label={t('What is asked')}
        className={`${boxClass(true)} sm:w-56 sm:shrink-0 min-h-10`}
        value={`${condition.asks} ${condition.not ? 'not' : ''}`}
        onChange={chosen((value: string) => {
          const [asks, not] = value.split(' ') as [Asks, string]
          const turned = not === 'not' ? (true as const) : undefined
          if (asks !== condition.asks) return onChange(beginning(asks, today(), turned))
          const { not: _, ...plain } = condition
          onChange({ ...plain, ...(turned ? { not: turned } : {}) } as Condition)
        })}
      >
        {asked.map(([asks, yes, no]) => [
          <option key={asks} value={`${asks} `}>
            {yes}
          </option>,
          <option key={`${asks} not`} value={`${asks} not`}>
            {no}
          </option>,
        ])}
      </select>
      <div className="grow min-w-0 w-full">
        <Fields condition={condition} named={named} onChange={onChange} />
        {!isWhole(condition) && <p className="text-sm text-ochre mt-1">{t('Choose at least one.')}</p>}
      </div>
      <IconButton name={t('Take out this condition')} onClick={onRemove}>
        <X size={16} aria-hidden />
      </IconButton>
    </div>
  )
}

function People({
  label,
  people,
  named,
  onChange,
}: {
  label: string
  people: readonly PersonRef['id'][]
  named: Named
  onChange: (people: PersonRef['id'][]) => void
}) {
  return (
    <PersonPicker
      label={label}
      hidden
      chosen={people.map((id) => ({ id, name: named.people.get(id) ?? '' }))}
      onChange={(next) => {
        named.add(next)
        onChange(next.map(({ id }) => id))
      }}
    />
  )
}

const FIELDS: { [A in Asks]: (props: FieldsOf<A>) => React.ReactNode } = {
  group: function Groups({ condition, named, onChange }) {
    const { t } = useTexts()
    return (
      <GroupPicker
        label={t('Groups')}
        hidden
        chosen={condition.groups}
        names={named.groups}
        onChange={(groups) => onChange({ ...condition, groups })}
      />
    )
  },
  manager: function Manager({ condition, named, onChange }) {
    const { t } = useTexts()
    return (
      <>
        <People label={t('Managers')} people={condition.people} named={named} onChange={(people) => onChange({ ...condition, people })} />
        <Check
          label={t('Directly only, not those further down')}
          checked={condition.directly === true}
          onChange={(event) => {
            const { directly: _, ...deep } = condition
            onChange(event.target.checked ? { ...deep, directly: true } : deep)
          }}
        />
      </>
    )
  },
  'started-since': function Since({ condition, onChange }) {
    const { t } = useTexts()
    return <DateField label={t('First day at work')} hidden value={condition.day} onChange={(day) => onChange({ ...condition, day })} />
  },
  'started-within': function Within({ condition, onChange }) {
    const { t } = useTexts()
    return (
      <span className="inline-flex items-center gap-2">
        <span className="w-28">
          <NumberField
            label={t('Days')}
            hidden
            whole
            min={1}
            max={RULE_LIMITS.days}
            value={condition.days}
            onChange={(days) => onChange({ ...condition, days })}
          />
        </span>
        {t('days')}
      </span>
    )
  },
  level: function Levels({ condition, onChange }) {
    const { t } = useTexts()
    const words: Record<Level, string> = { admin: t('Admin'), lead: t('Lead'), author: t('Author'), staff: t('Staff') }
    return (
      <div className="flex flex-wrap gap-x-5" role="group" aria-label={t('Levels')}>
        {Level.options.map((level) => (
          <Check
            key={level}
            label={words[level]}
            checked={condition.levels.includes(level)}
            onChange={(event) =>
              onChange({
                ...condition,
                levels: event.target.checked ? [...condition.levels, level] : condition.levels.filter((each) => each !== level),
              })
            }
          />
        ))}
      </div>
    )
  },
  person: function Person({ condition, named, onChange }) {
    const { t } = useTexts()
    return <People label={t('People')} people={condition.people} named={named} onChange={(people) => onChange({ ...condition, people })} />
  },
}
