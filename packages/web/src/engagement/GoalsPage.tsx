import { useState } from 'react'
import { useMe } from '../people'
import { Button, Failed, Loaded, TextLink, TitleLine } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useGoals, useRemoveGoal } from './goalQueries'
import { NewGoalForm } from './NewGoalForm'

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
                      {goal.steps.map(({ item, act, withinDays }, n) => (
                        <span key={n}>
                          {' '}
                          → {t('“{{title}}” within {{days}} days', { title: item?.title ?? act ?? '', days: withinDays })}
                        </span>
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
