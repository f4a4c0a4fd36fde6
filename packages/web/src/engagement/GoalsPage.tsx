import type { ItemFacts } from '@jackdaw/contracts/items'
import { itemKey } from '@jackdaw/core/items'
import type { GoalId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { namedItem } from '../items'
import { FindItems } from '../items/FindItems'
import { useMe } from '../people'
import { Button, Failed, Loaded, NumberField, TextButton, TextField, TextLink, TitleLine } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useGoals, useRemoveGoal, useSetGoal } from './goalQueries'

/** What people are to come to after having begun something. */
export function GoalsPage() {
  const { t } = useTexts()
  const mayChange = useMe().permissions.includes('guides.all')
  const query = useGoals()
  const remove = useRemoveGoal()
  const [making, setMaking] = useState(false)
  return (
    <Loaded query={query}>
      {(goals) => (
        <>
          <title>{t('Goals – Jackdaw')}</title>
          <TitleLine
            where={{ to: '/engagement', name: t('Engagement') }}
            title={t('Goals')}
            state={t('Of those who began one thing, how many finished others within their days')}
          >
            {mayChange && !making && (
              <Button look="primary" onClick={() => setMaking(true)}>
                {t('Name a goal')}
              </Button>
            )}
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            {making && <NewGoalForm onClose={() => setMaking(false)} />}
            {remove.isError && <Failed error={remove.error} />}
            {goals.length === 0 && !making && (
              <p className="py-6 max-w-prose">
                {t(
                  'No goal has been named yet. A goal says what people should come to: “whoever begins the first guide passes the quiz within a week”.',
                )}
              </p>
            )}
            <ul>
              {goals.map((goal) => (
                <li key={goal.id} className="border-b border-hair py-3 flex flex-wrap gap-x-4 items-start">
                  <div className="grow min-w-0">
                    <TextLink to={`/engagement/goals/${goal.id}`}>
                      <span className="font-semibold text-base">{goal.name}</span>
                    </TextLink>
                    <p className="text-sm text-soft">
                      {t('From “{{title}}”', { title: goal.from.title })}
                      {goal.steps.map(({ item, withinDays }, n) => (
                        <span key={n}> → {t('“{{title}}” within {{days}} days', { title: item.title, days: withinDays })}</span>
                      ))}
                    </p>
                  </div>
                  {mayChange && (
                    <Button
                      look="quiet"
                      aria-label={t('Take away {{name}}', { name: goal.name })}
                      disabled={remove.isPending}
                      onClick={() => remove.mutate(goal.id)}
                    >
                      {t('Take away')}
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          </div>
        </>
      )}
    </Loaded>
  )
}

type Step = { item: ItemFacts; withinDays: number }
const USUAL_DAYS = 7
const MOST_STEPS = 5

/** A goal is put together of items: the first one is where it begins, each further one is to be finished. */
function NewGoalForm({ onClose }: { onClose: () => void }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const save = useSetGoal()
  const [id] = useState(() => nanoid<GoalId>())
  const [name, setName] = useState('')
  const [from, setFrom] = useState<ItemFacts | null>(null)
  const [steps, setSteps] = useState<readonly Step[]>([])
  const choose = (item: ItemFacts) => (from === null ? setFrom(item) : setSteps((before) => [...before, { item, withinDays: USUAL_DAYS }]))
  const called = ({ item, number, title }: ItemFacts) => `${namedItem(t, item, number)} ${title}`
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
          steps: steps.map((step) => ({ item: step.item.item.id, withinDays: step.withinDays })),
        }
        save.mutate({ id, ...goal }, { onSuccess: () => void navigate(`/engagement/goals/${id}`) })
      }}
    >
      <div className="space-y-4">
        <TextField label={t('What the goal is called')} value={name} maxLength={100} onChange={(event) => setName(event.target.value)} />
        <ol className="space-y-2">
          <li>
            {from === null ? (
              <span className="text-soft">{t('1. Choose where it begins.')}</span>
            ) : (
              <>
                {t('1. Whoever begins')} <strong>{called(from)}</strong>{' '}
                <TextButton onClick={() => setFrom(null)}>{t('Another')}</TextButton>
              </>
            )}
          </li>
          {steps.map((step, n) => (
            <li key={n} className="flex flex-wrap items-end gap-2">
              <span>
                {n + 2}. {t('finishes')} <strong>{called(step.item)}</strong>
              </span>
              <NumberField
                label={t('within days')}
                value={step.withinDays}
                min={1}
                max={730}
                whole
                small
                onChange={(withinDays) => setSteps((before) => before.map((each, at) => (at === n ? { ...each, withinDays } : each)))}
              />
              <TextButton onClick={() => setSteps((before) => before.filter((_, at) => at !== n))}>{t('Leave it out')}</TextButton>
            </li>
          ))}
          {from !== null && steps.length < MOST_STEPS && (
            <li className="text-soft">{t('{{n}}. Choose what is to be finished after it.', { n: steps.length + 2 })}</li>
          )}
        </ol>
        {save.isError && <Failed error={save.error} />}
        <div className="flex gap-2">
          <Button type="submit" look="primary" disabled={!ready || save.isPending}>
            {t('Save the goal')}
          </Button>
          <Button onClick={onClose}>{t('Cancel')}</Button>
        </div>
      </div>
      {(from === null || steps.length < MOST_STEPS) && (
        <FindItems
          label={from === null ? t('Where it begins') : t('What is to be finished')}
          without={new Set(from === null ? [] : [itemKey((steps.at(-1)?.item ?? from).item)].filter(() => steps.length > 0))}
          nothing={t('Nothing published has such a title.')}
          onChoose={choose}
        />
      )}
    </form>
  )
}
