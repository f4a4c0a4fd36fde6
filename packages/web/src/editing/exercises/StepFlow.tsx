import { Button, Check, chosen, IconButton, Select, TextField } from '../../ui'
import {
  stepName,
  stepsOf,
  type Choice,
  type Condition,
  type Flow,
  type GuideDocument,
  type Rule,
  type Step,
  type Target,
} from '@jackdaw/core/guides'
import { doingOf } from '@jackdaw/core/players'
import type { RoleId, SiteId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { Trash2, X } from 'lucide-react'
import { useReducer, type ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import { useGroups } from '../../people'
import type { ItemActions } from '../itemActions'
import { AcceptFields } from './AcceptFields'

/** The flow without what says nothing; `null` when the guide simply goes on. */
function bare({ ask, choices, rules, skipWhen }: Flow): Flow | null {
  const flow: Flow = {
    ...(ask ? { ask } : {}),
    ...(choices && choices.length > 0 ? { choices } : {}),
    ...(rules && rules.length > 0 ? { rules } : {}),
    ...(skipWhen ? { skipWhen } : {}),
  }
  return Object.keys(flow).length === 0 ? null : flow
}

/** Where the guide goes on after a step: choices, rules, and when the step is passed over. */
export function StepFlow({ step, number, actions, onClose }: { step: Step; number: number; actions: ItemActions; onClose: () => void }) {
  const { t } = useTexts()
  // Other steps may have changed since this was drawn: they are read anew when somebody comes to the fields.
  const [, look] = useReducer((n: number) => n + 1, 0)
  const document = actions.document()
  const flow = step.flow ?? {}
  const { choices = [], rules = [] } = flow
  const put = (next: Partial<Flow>) => actions.change({ type: 'set-step', stepId: step.id, fields: { flow: bare({ ...flow, ...next }) } })
  return (
    <section
      className="border-l-2 border-petrol pl-3 py-1 mt-3 space-y-3 scroll-mt-36 scroll-mb-16"
      data-panel
      aria-label={t('What comes after step {{n}}', { n: number })}
      data-keeps-editor
      onFocus={(event) => !event.currentTarget.contains(event.relatedTarget) && look()}
    >
      <div className="flex items-center">
        <h3 className="grow font-semibold">{t('What comes next')}</h3>
        <IconButton name={t('Close')} onClick={onClose}>
          <X size={16} aria-hidden />
        </IconButton>
      </div>
      <p className="text-sm text-soft">
        {t('Without anything here the next step follows. Otherwise readers choose where to go on, or a rule leads them there.')}
      </p>
      <fieldset className="space-y-2">
        <legend className="text-sm font-semibold">{t('The person chooses')}</legend>
        {choices.length > 0 && (
          <TextField label={t('Question')} value={flow.ask ?? ''} maxLength={300} onChange={(event) => put({ ask: event.target.value })} />
        )}
        {choices.map((choice, n) => (
          <Row
            key={choice.id}
            remove={t('Remove choice {{n}}', { n: n + 1 })}
            onRemove={() => put({ choices: choices.filter((each) => each !== choice) })}
          >
            <input
              value={choice.words}
              maxLength={200}
              aria-label={t('Words of choice {{n}}', { n: n + 1 })}
              placeholder={t('The customer is new')}
              className="grow min-w-40 min-h-9 border border-edge px-2 bg-sheet"
              onChange={(event) => put({ choices: replaced(choices, choice, { ...choice, words: event.target.value }) })}
            />
            <TargetSelect
              label={t('Choice {{n}} leads to', { n: n + 1 })}
              {...{ document }}
              to={choice.to}
              onChange={(to) => put({ choices: replaced(choices, choice, { ...choice, to }) })}
            />
          </Row>
        ))}
        {choices.length < 12 && (
          <Button className="text-sm" onClick={() => put({ choices: [...choices, { id: nanoid(), words: '', to: 'next' }] })}>
            {t('Add a choice')}
          </Button>
        )}
      </fieldset>
      <fieldset className="space-y-2">
        <legend className="text-sm font-semibold">{t('A rule decides')}</legend>
        {choices.length > 0 && rules.length > 0 && (
          <p className="text-sm text-ochre">{t('As long as there are choices, the rules are not asked.')}</p>
        )}
        {rules.map((rule, n) => (
          <Row
            key={rule.id}
            remove={t('Remove rule {{n}}', { n: n + 1 })}
            onRemove={() => put({ rules: rules.filter((each) => each !== rule) })}
          >
            <div className="grow min-w-0 space-y-2">
              <ConditionFields
                label={t('Rule {{n}}: when', { n: n + 1 })}
                {...{ document, step }}
                condition={rule.when}
                onChange={(when) => put({ rules: replaced(rules, rule, { ...rule, when }) })}
              />
              <TargetSelect
                label={t('Rule {{n}} leads to', { n: n + 1 })}
                {...{ document }}
                to={rule.to}
                onChange={(to) => put({ rules: replaced(rules, rule, { ...rule, to }) })}
              />
            </div>
          </Row>
        ))}
        {rules.length < 12 && (
          <Button
            className="text-sm"
            onClick={() => put({ rules: [...rules, { id: nanoid(), when: { of: 'role', ids: [] }, to: 'next' }] })}
          >
            {t('Add a rule')}
          </Button>
        )}
      </fieldset>
      <fieldset className="space-y-2">
        <legend className="sr-only">{t('When the step is passed over')}</legend>
        <Check
          label={t('Pass over this step for some people or cases')}
          checked={flow.skipWhen !== undefined}
          onChange={(event) => {
            const { skipWhen: _, ...rest } = flow
            actions.change({
              type: 'set-step',
              stepId: step.id,
              fields: { flow: bare(event.target.checked ? { ...rest, skipWhen: { of: 'role', ids: [] } } : rest) },
            })
          }}
        />
        {flow.skipWhen && (
          <ConditionFields
            label={t('Passed over when')}
            {...{ document, step }}
            condition={flow.skipWhen}
            onChange={(skipWhen) => put({ skipWhen })}
          />
        )}
      </fieldset>
    </section>
  )
}

const replaced = <T extends Choice | Rule>(list: readonly T[], was: T, next: T): T[] => list.map((each) => (each === was ? next : each))

function Row({ children, remove, onRemove }: { children: ReactNode; remove: string; onRemove: () => void }) {
  return (
    <div className="flex flex-wrap items-start gap-2">
      {children}
      <IconButton name={remove} onClick={onRemove}>
        <Trash2 size={16} aria-hidden />
      </IconButton>
    </div>
  )
}

function TargetSelect({
  label,
  document,
  to,
  onChange,
}: {
  label: string
  document: GuideDocument
  to: Target
  onChange: (to: Target) => void
}) {
  const { t } = useTexts()
  const steps = stepsOf(document)
  const gone = to !== 'next' && to !== 'end' && !steps.some((step) => step.id === to)
  return (
    <select
      aria-label={label}
      value={to}
      aria-invalid={gone}
      className="min-h-9 max-w-72 border border-edge px-2 bg-sheet aria-invalid:border-brick aria-invalid:border-2"
      onChange={chosen((value: Target) => onChange(value))}
    >
      <option value="next">{t('→ the next step')}</option>
      {steps.map((step, n) => (
        <option key={step.id} value={step.id}>
          {`→ ${n + 1}. ${stepName(step)}`}
        </option>
      ))}
      <option value="end">{t('→ the end')}</option>
      {gone && <option value={to}>{t('→ a step that is gone')}</option>}
    </select>
  )
}

function ConditionFields({
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
  onChange: (condition: Condition) => void
}) {
  const { t } = useTexts()
  const groups = useGroups()
  const steps = stepsOf(document)
  const before = steps
    .slice(0, steps.findIndex((each) => each.id === step.id) + 1)
    .filter((each) => doingOf(each, document).kind === 'enter')
  const not = condition.not ? { not: true as const } : {}
  const fresh = (of: Condition['of']): Condition => {
    if (of === 'value') return { of, stepId: before.at(-1)?.id ?? step.id, accept: { how: 'same', value: '' }, ...not }
    return of === 'role' ? { of, ids: [], ...not } : { of, ids: [], ...not }
  }
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-2">
        <select
          aria-label={label}
          value={condition.of}
          className="min-h-9 border border-edge px-2 bg-sheet"
          onChange={chosen((value: Condition['of']) => onChange(fresh(value)))}
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
      ) : (
        <div className="flex flex-wrap gap-x-4 max-h-40 overflow-auto border border-hair px-2" role="group" aria-label={label}>
          {(condition.of === 'role' ? (groups.data?.roles ?? []) : (groups.data?.sites ?? [])).map((group) => {
            const ids = condition.ids as readonly string[]
            return (
              <Check
                key={group.id}
                label={group.name}
                checked={ids.includes(group.id)}
                onChange={(event) => {
                  const next = event.target.checked ? [...ids, group.id] : ids.filter((id) => id !== group.id)
                  onChange(condition.of === 'role' ? { ...condition, ids: next as RoleId[] } : { ...condition, ids: next as SiteId[] })
                }}
              />
            )
          })}
        </div>
      )}
    </div>
  )
}
