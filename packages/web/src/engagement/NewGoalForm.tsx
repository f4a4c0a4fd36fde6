import type { ItemFacts } from '@jackdaw/contracts/items'
import { itemKey } from '@jackdaw/core/items'
import type { GoalId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useActNames } from '../applications/queries'
import { namedItem } from '../items'
import { FindItems } from '../items/FindItems'
import { Button, chosen, Failed, NumberField, Select, TextButton, TextField } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useSetGoal } from './goalQueries'

type Step = { what: ItemFacts | string; withinDays: number }
const USUAL_DAYS = 7
const MOST_STEPS = 5

/** A goal is put together of items: the first one is where it begins, each further one is to be finished. */
export function NewGoalForm({ onClose }: { onClose: () => void }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const save = useSetGoal()
  const [id] = useState(() => nanoid<GoalId>())
  const [name, setName] = useState('')
  const [from, setFrom] = useState<ItemFacts | null>(null)
  const [steps, setSteps] = useState<readonly Step[]>([])
  const add = (what: Step['what']) => setSteps([...steps, { what, withinDays: USUAL_DAYS }])
  const choose = (item: ItemFacts) => (from === null ? setFrom(item) : add(item))
  const ready = name.trim() !== '' && from !== null && steps.length > 0
  return (
    <form
      className="py-4 grid lg:grid-cols-2 gap-8 border-b border-hair"
      aria-label={t('Name a goal')}
      onSubmit={(event) => {
        event.preventDefault()
        if (!ready || save.isPending) return
        const goal = {
          name: name.trim(),
          from: from.item.id,
          steps: steps.map(({ what, withinDays }) =>
            typeof what === 'string' ? { act: what, withinDays } : { item: what.item.id, withinDays },
          ),
        }
        save.mutate({ id, ...goal }, { onSuccess: () => void navigate(`/engagement/goals/${id}`) })
      }}
    >
      <div className="space-y-4">
        <TextField label={t('What the goal is called')} value={name} maxLength={100} onChange={(event) => setName(event.target.value)} />
        <Chosen {...{ from, steps }} onAnother={() => setFrom(null)} onSteps={setSteps} />
        {save.isError && <Failed error={save.error} />}
        <div className="flex gap-2">
          <Button type="submit" look="primary" disabled={!ready || save.isPending}>
            {t('Save the goal')}
          </Button>
          <Button onClick={onClose}>{t('Cancel')}</Button>
        </div>
      </div>
      {(from === null || steps.length < MOST_STEPS) && (
        <ChooseNext begun={from !== null} last={steps.at(-1)?.what} onItem={choose} onAct={add} />
      )}
    </form>
  )
}

/** Where the goal begins, and what it asks for, one after another. */
function Chosen({
  from,
  steps,
  onAnother,
  onSteps,
}: {
  from: ItemFacts | null
  steps: readonly Step[]
  onAnother: () => void
  onSteps: (steps: readonly Step[]) => void
}) {
  const { t } = useTexts()
  const called = ({ item, number, title }: ItemFacts) => `${namedItem(t, item, number)} ${title}`
  return (
    <ol className="space-y-2">
      <li>
        {from === null ? (
          <span className="text-soft">{t('1. Choose where it begins.')}</span>
        ) : (
          <>
            {t('1. Whoever begins')} <strong>{called(from)}</strong> <TextButton onClick={onAnother}>{t('Another')}</TextButton>
          </>
        )}
      </li>
      {steps.map((step, n) => (
        <li key={n} className="flex flex-wrap items-end gap-2">
          <span>
            {n + 2}. {typeof step.what === 'string' ? t('does, as an application tells:') : t('finishes')}{' '}
            <strong>{typeof step.what === 'string' ? step.what : called(step.what)}</strong>
          </span>
          <NumberField
            label={t('within days')}
            value={step.withinDays}
            min={1}
            max={730}
            whole
            small
            onChange={(withinDays) => onSteps(steps.map((each, at) => (at === n ? { ...each, withinDays } : each)))}
          />
          <TextButton onClick={() => onSteps(steps.filter((_, at) => at !== n))}>{t('Leave it out')}</TextButton>
        </li>
      ))}
      {from !== null && steps.length < MOST_STEPS && (
        <li className="text-soft">{t('{{n}}. Choose what is to be finished after it.', { n: steps.length + 2 })}</li>
      )}
    </ol>
  )
}

/** Chooses where the goal begins, or what comes next. */
function ChooseNext({
  begun,
  last,
  onItem,
  onAct,
}: {
  begun: boolean
  last: Step['what'] | undefined
  onItem: (item: ItemFacts) => void
  onAct: (act: string) => void
}) {
  const { t } = useTexts()
  const acts = useActNames().data ?? []
  return (
    <div className="space-y-4">
      <FindItems
        label={!begun ? t('Where it begins') : t('What is to be finished')}
        without={new Set(last && typeof last !== 'string' ? [itemKey(last.item)] : [])}
        nothing={t('Nothing published has such a title.')}
        onChoose={onItem}
      />
      {begun && acts.length > 0 && (
        <Select label={t('Or what an application tells of')} value="" onChange={chosen((act) => act && onAct(act))}>
          <option value="">{t('choose …')}</option>
          {acts.map(({ name: act, times }) => (
            <option key={act} value={act}>
              {t('{{act}} (told {{n}} times)', { act, n: times })}
            </option>
          ))}
        </Select>
      )}
    </div>
  )
}
