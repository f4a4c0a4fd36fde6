import { Button, Check, chosen, IconButton, TextField } from '../../ui'
import { stepName, stepsOf, type Choice, type Flow, type GuideDocument, type Rule, type Step, type Target } from '@jackdaw/core/guides'
import { nanoid } from 'nanoid'
import { Trash2, X } from 'lucide-react'
import { useReducer, type ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import type { ItemActions } from '../itemActions'
import { ConditionFields } from './ConditionFields'

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

type FlowFields = { document: GuideDocument; step: Step; flow: Flow; onPut: (next: Partial<Flow>) => void }
const MOST = 12

/** Where the guide goes on after a step: choices, rules, and when the step is passed over. */
export function StepFlow({ step, number, actions, onClose }: { step: Step; number: number; actions: ItemActions; onClose: () => void }) {
  const { t } = useTexts()
  // Other steps may have changed since this was drawn: they are read anew when somebody comes to the fields.
  const [, look] = useReducer((n: number) => n + 1, 0)
  const document = actions.document()
  const flow = step.flow ?? {}
  const put = (next: Flow) => actions.change({ type: 'set-step', stepId: step.id, fields: { flow: bare(next) } })
  const fields: FlowFields = { document, step, flow, onPut: (next) => put({ ...flow, ...next }) }
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
      <ChoiceFields {...fields} />
      <RuleFields {...fields} />
      <fieldset className="space-y-2">
        <legend className="sr-only">{t('When the step is passed over')}</legend>
        <Check
          label={t('Pass over this step for some people or cases')}
          checked={flow.skipWhen !== undefined}
          onChange={(event) => {
            const { skipWhen: _, ...rest } = flow
            put(event.target.checked ? { ...rest, skipWhen: { of: 'role', ids: [] } } : rest)
          }}
        />
        {flow.skipWhen && (
          <ConditionFields
            label={t('Passed over when')}
            {...{ document, step }}
            condition={flow.skipWhen}
            onChange={(skipWhen) => fields.onPut({ skipWhen })}
          />
        )}
      </fieldset>
    </section>
  )
}

/** The choices that a reader is given. */
function ChoiceFields({ document, flow: { ask = '', choices = [] }, onPut }: FlowFields) {
  const { t } = useTexts()
  return (
    <fieldset className="space-y-2">
      <legend className="text-sm font-semibold">{t('The person chooses')}</legend>
      {choices.length > 0 && (
        <TextField label={t('Question')} value={ask} maxLength={300} onChange={(event) => onPut({ ask: event.target.value })} />
      )}
      {choices.map((choice, n) => (
        <Row
          key={choice.id}
          remove={t('Remove choice {{n}}', { n: n + 1 })}
          onRemove={() => onPut({ choices: choices.filter((each) => each !== choice) })}
        >
          <input
            value={choice.words}
            maxLength={200}
            aria-label={t('Words of choice {{n}}', { n: n + 1 })}
            placeholder={t('The customer is new')}
            className="grow min-w-40 min-h-9 border border-edge px-2 bg-sheet"
            onChange={(event) => onPut({ choices: replaced(choices, choice, { ...choice, words: event.target.value }) })}
          />
          <TargetSelect
            label={t('Choice {{n}} leads to', { n: n + 1 })}
            {...{ document }}
            to={choice.to}
            onChange={(to) => onPut({ choices: replaced(choices, choice, { ...choice, to }) })}
          />
        </Row>
      ))}
      {choices.length < MOST && (
        <Button className="text-sm" onClick={() => onPut({ choices: [...choices, { id: nanoid(), words: '', to: 'next' }] })}>
          {t('Add a choice')}
        </Button>
      )}
    </fieldset>
  )
}

/** The rules that are asked where there is nothing to choose. */
function RuleFields({ document, step, flow: { choices = [], rules = [] }, onPut }: FlowFields) {
  const { t } = useTexts()
  return (
    <fieldset className="space-y-2">
      <legend className="text-sm font-semibold">{t('A rule decides')}</legend>
      {choices.length > 0 && rules.length > 0 && (
        <p className="text-sm text-ochre">{t('As long as there are choices, the rules are not asked.')}</p>
      )}
      {rules.map((rule, n) => (
        <Row
          key={rule.id}
          remove={t('Remove rule {{n}}', { n: n + 1 })}
          onRemove={() => onPut({ rules: rules.filter((each) => each !== rule) })}
        >
          <div className="grow min-w-0 space-y-2">
            <ConditionFields
              label={t('Rule {{n}}: when', { n: n + 1 })}
              {...{ document, step }}
              condition={rule.when}
              onChange={(when) => onPut({ rules: replaced(rules, rule, { ...rule, when }) })}
            />
            <TargetSelect
              label={t('Rule {{n}} leads to', { n: n + 1 })}
              {...{ document }}
              to={rule.to}
              onChange={(to) => onPut({ rules: replaced(rules, rule, { ...rule, to }) })}
            />
          </div>
        </Row>
      ))}
      {rules.length < MOST && (
        <Button
          className="text-sm"
          onClick={() => onPut({ rules: [...rules, { id: nanoid(), when: { of: 'role', ids: [] }, to: 'next' }] })}
        >
          {t('Add a rule')}
        </Button>
      )}
    </fieldset>
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
