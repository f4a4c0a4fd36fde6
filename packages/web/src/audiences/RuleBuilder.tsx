import type { NamesOfRule } from '@jackdaw/contracts/audiences'
import { isClause, type Clause, type Join } from '@jackdaw/core/audiences'
import { localDateAt } from '@jackdaw/core/shared'
import { Plus } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import { PersonPicker } from '../people/PersonPicker'
import { Button, chosen, DateField, Radios } from '../ui'
import { boxClass } from '../ui/fields/Frame'
import { useTexts } from '../ui/words/texts'
import { ConditionRow, type Named } from './ConditionRow'
import { beginning, withPart, type RuleDraft } from './ruleDraft'

const today = () => localDateAt(Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone)

/** What things are called that the rule names, and people who are chosen meanwhile. */
function useNamed(names: NamesOfRule): Named {
  const [more, setMore] = useState<ReadonlyMap<string, string>>(new Map())
  return {
    groups: new Map(names.groups.map((group) => [group.id, group.name])),
    people: new Map([...names.people.map((person): [string, string] => [person.id, person.name]), ...more]),
    add: (people) => setMore((before) => new Map([...before, ...people.map((person): [string, string] => [person.id, person.name])])),
  }
}

/** Who belongs to an audience, put together from conditions. */
export function RuleBuilder({ rule, names, onChange }: { rule: RuleDraft; names: NamesOfRule; onChange: (rule: RuleDraft) => void }) {
  const { t } = useTexts()
  const named = useNamed(names)
  const add = (part: RuleDraft['of'][number]) => onChange({ ...rule, of: [...rule.of, part] })
  return (
    <div className="space-y-5">
      <div>
        <JoinChoice join={rule.join} count={rule.of.length} onChange={(join) => onChange({ ...rule, join })} />
        <ol className="mt-2 border-t border-hair divide-y divide-hair" aria-label={t('Conditions')}>
          {rule.of.map((part, at) => (
            <li key={at} className={isClause(part) ? 'pl-4 border-l-4 border-l-edge my-1' : ''}>
              {isClause(part) ? (
                <ClauseRows clause={part} named={named} onChange={(next) => onChange({ ...rule, of: withPart(rule.of, at, next) })} />
              ) : (
                <ConditionRow
                  condition={part}
                  named={named}
                  onChange={(next) => onChange({ ...rule, of: withPart(rule.of, at, next) })}
                  onRemove={() => onChange({ ...rule, of: withPart(rule.of, at, null) })}
                />
              )}
            </li>
          ))}
        </ol>
        <div className="flex flex-wrap gap-2 mt-2">
          <Add onClick={() => add(beginning('group', today(), undefined))}>{t('Add a condition')}</Add>
          <Add
            onClick={() =>
              add({
                join: rule.join === 'all' ? 'any' : 'all',
                of: [beginning('group', today(), undefined), beginning('group', today(), undefined)],
              })
            }
          >
            {t('Add brackets')}
          </Add>
        </div>
      </div>
      <PersonPicker
        label={t('Never in it')}
        chosen={rule.except.map((id) => ({ id, name: named.people.get(id) ?? '' }))}
        onChange={(people) => {
          named.add(people)
          onChange({ ...rule, except: people.map(({ id }) => id) })
        }}
      />
      <Radios
        label={t('When people come and go')}
        value={rule.asOf === null ? 'follows' : 'as-of'}
        onChange={(kind) => onChange({ ...rule, asOf: kind === 'follows' ? null : today() })}
        options={[
          { value: 'follows', words: t('It follows changes'), hint: t('Joiners come into it, leavers and movers go out of it.') },
          {
            value: 'as-of',
            words: t('It is taken as of a day'),
            hint: t('Whoever belongs at the end of that day stays in it.'),
            more: rule.asOf !== null && <DateField label={t('As of')} value={rule.asOf} onChange={(asOf) => onChange({ ...rule, asOf })} />,
          },
        ]}
      />
    </div>
  )
}

const Add = ({ onClick, children }: { onClick: () => void; children: ReactNode }) => (
  <Button onClick={onClick}>
    <Plus size={16} aria-hidden />
    {children}
  </Button>
)

/** How the conditions are joined. Of none, all is everybody and any is nobody. */
function JoinChoice({ join, count, onChange }: { join: Join; count: number; onChange: (join: Join) => void }) {
  const { t } = useTexts()
  return (
    <label className="flex flex-wrap items-center gap-2 font-semibold">
      {count === 0 ? t('Without a condition it is') : t('Everybody for whom')}
      <select className={`${boxClass(true)} w-auto! min-h-10 font-normal`} value={join} onChange={chosen((next: Join) => onChange(next))}>
        <option value="all">{count === 0 ? t('everybody who works here') : t('all of these hold')}</option>
        <option value="any">{count === 0 ? t('nobody') : t('at least one of these holds')}</option>
      </select>
    </label>
  )
}

/** Several conditions in brackets. The last one takes the brackets with it. */
function ClauseRows({ clause, named, onChange }: { clause: Clause; named: Named; onChange: (clause: Clause | null) => void }) {
  const { t } = useTexts()
  const { not: _, ...plain } = clause
  const set = (of: Clause['of']) => onChange(of.length === 0 ? null : { ...clause, of })
  return (
    <div className="py-2">
      <div className="flex flex-wrap items-center gap-2">
        <select
          aria-label={t('Brackets')}
          className={`${boxClass(true)} w-auto! min-h-10`}
          value={`${clause.join} ${clause.not ? 'not' : ''}`}
          onChange={chosen((value: string) => {
            const [join, not] = value.split(' ') as [Join, string]
            onChange({ ...plain, join, ...(not === 'not' ? { not: true as const } : {}) })
          })}
        >
          <option value="all ">{t('all of these hold')}</option>
          <option value="any ">{t('at least one of these holds')}</option>
          <option value="all not">{t('not all of these hold')}</option>
          <option value="any not">{t('none of these holds')}</option>
        </select>
      </div>
      <ol aria-label={t('Conditions in brackets')}>
        {clause.of.map((condition, at) => (
          <li key={at}>
            <ConditionRow
              condition={condition}
              named={named}
              onChange={(next) => set(withPart(clause.of, at, next))}
              onRemove={() => set(withPart(clause.of, at, null))}
            />
          </li>
        ))}
      </ol>
      <Add onClick={() => set([...clause.of, beginning('group', today(), undefined)])}>{t('Add a condition in brackets')}</Add>
    </div>
  )
}
