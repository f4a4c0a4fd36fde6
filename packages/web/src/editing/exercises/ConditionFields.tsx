import { stepName, stepsOf, type Condition, type GuideDocument, type Step } from '@jackdaw/core/guides'
import { doingOf } from '@jackdaw/core/players'
import type { GroupId, StepId } from '@jackdaw/core/shared'
import { Check, chosen, Select } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useGroups } from '../../people'
import { AcceptFields } from './AcceptFields'

type OnChange = (condition: Condition) => void

/** The steps up to this one at which something is entered. */
const entriesBefore = (document: GuideDocument, step: Step): Step[] => {
  const steps = stepsOf(document)
  return steps.slice(0, steps.findIndex((each) => each.id === step.id) + 1).filter((each) => doingOf(each, document).kind === 'enter')
}

/** What a condition begins with when it is about something else. */
function fresh(of: Condition['of'], was: Condition, enteredAt: StepId): Condition {
  const not = was.not ? { not: true as const } : {}
  if (of === 'value') return { of, stepId: enteredAt, accept: { how: 'same', value: '' }, ...not }
  return of === 'role' ? { of, ids: [], ...not } : { of, ids: [], ...not }
}

/** When a rule holds: for people of some roles or sites, or by what was entered at a step before. */
export function ConditionFields({
  label,
  document,
  step,
  condition,
  onChange,
}: {
  label: string
  document: GuideDocument
  step: Step
  condition: Condition
  onChange: OnChange
}) {
  const { t } = useTexts()
  const before = entriesBefore(document, step)
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-2">
        <select
          aria-label={label}
          value={condition.of}
          className="min-h-9 border border-edge px-2 bg-sheet"
          onChange={chosen((value: Condition['of']) => onChange(fresh(value, condition, before.at(-1)?.id ?? step.id)))}
        >
          <option value="role">{t('the person’s role')}</option>
          <option value="site">{t('the person’s site')}</option>
          <option value="value" disabled={before.length === 0}>
            {t('what was entered')}
          </option>
        </select>
        <select
          aria-label={t('is or is not')}
          value={condition.not ? 'not' : 'is'}
          className="min-h-9 border border-edge px-2 bg-sheet"
          onChange={(event) => {
            const { not: _, ...rest } = condition
            onChange(event.target.value === 'not' ? { ...rest, not: true } : rest)
          }}
        >
          <option value="is">{t('is')}</option>
          <option value="not">{t('is not')}</option>
        </select>
      </div>
      {condition.of === 'value' ? (
        <EnteredFields {...{ document, before, condition, onChange }} />
      ) : (
        <GroupsChosen {...{ label, condition, onChange }} />
      )}
    </div>
  )
}

function EnteredFields({
  document,
  before,
  condition,
  onChange,
}: {
  document: GuideDocument
  before: readonly Step[]
  condition: Extract<Condition, { of: 'value' }>
  onChange: OnChange
}) {
  const { t } = useTexts()
  const steps = stepsOf(document)
  return (
    <>
      <Select
        label={t('Entered at')}
        value={condition.stepId}
        onChange={chosen((value: StepId) => onChange({ ...condition, stepId: value }))}
      >
        {!before.some((each) => each.id === condition.stepId) && (
          <option value={condition.stepId}>{t('a step at which nothing is entered before')}</option>
        )}
        {before.map((each) => (
          <option key={each.id} value={each.id}>
            {`${steps.indexOf(each) + 1}. ${stepName(each)}`}
          </option>
        ))}
      </Select>
      <AcceptFields label={t('The entry is')} accept={condition.accept} onChange={(accept) => onChange({ ...condition, accept })} />
    </>
  )
}

function GroupsChosen({
  label,
  condition,
  onChange,
}: {
  label: string
  condition: Exclude<Condition, { of: 'value' }>
  onChange: OnChange
}) {
  const groups = useGroups()
  const ids = condition.ids as readonly string[]
  return (
    <div className="flex flex-wrap gap-x-4 max-h-40 overflow-auto border border-hair px-2" role="group" aria-label={label}>
      {(groups.data ?? [])
        .filter((group) => group.kind === condition.of)
        .map((group) => (
          <Check
            key={group.id}
            label={group.name}
            checked={ids.includes(group.id)}
            onChange={(event) => {
              const next = event.target.checked ? [...ids, group.id] : ids.filter((id) => id !== group.id)
              onChange({ ...condition, ids: next as GroupId[] })
            }}
          />
        ))}
    </div>
  )
}
