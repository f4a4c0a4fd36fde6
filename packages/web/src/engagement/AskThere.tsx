import type { AskedWhen, NewStepSurvey } from '@jackdaw/contracts/surveys'
import type { GuideId, StepId, SurveyId } from '@jackdaw/core/shared'
import { LEAST_SHOWN } from '@jackdaw/core/surveys'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { Check, NumberField, Radios, showToast } from '../ui'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { useAskAtStep } from '../surveys/queries'
import { QuestionFields } from './QuestionFields'
import { questionOf, type QuestionDraft } from './questionDraft'

type Rules = { when: AskedWhen; anonymous: boolean; most: number; tell: boolean }

/** Asks one question at a step: those who come to it from now on, or leave there, and those who have left.
 * @param left how many people have left there on these days */
export function AskThere({
  guideId,
  step,
  visits,
  left,
  onClose,
}: {
  guideId: GuideId
  step: { id: StepId; name: string }
  visits: NonNullable<NewStepSurvey['tell']>
  left: number
  onClose: () => void
}) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const ask = useAskAtStep(guideId)
  const [id] = useState(() => nanoid<SurveyId>())
  const [draft, setDraft] = useState<QuestionDraft>({
    kind: 'choice',
    words: t('What would help you here?'),
    options: [t('A picture'), t('More words'), t('Fewer words'), t('The work itself should change')].join('\n'),
    low: '',
    high: '',
  })
  const [rules, setRules] = useState<Rules>({
    when: 'come',
    anonymous: false,
    most: 20,
    tell: left > 0,
  })
  const change = (more: Partial<QuestionDraft>) => setDraft((before) => ({ ...before, ...more }))
  const rule = (more: Partial<Rules>) => setRules((before) => ({ ...before, ...more }))
  const question = questionOf(draft)
  const send = () => {
    if (!question) return
    const { tell, ...more } = rules
    const survey: NewStepSurvey = { id, stepId: step.id, question, ...more, tell: tell ? visits : null }
    ask.mutate(survey, {
      onSuccess: ({ told }) => {
        showToast(
          told > 0
            ? t('Asked. {{count}} people were told in their inboxes.', { count: told })
            : t('Asked. It stands at the step from now on.'),
        )
        void navigate(`/engagement/guides/${guideId}/surveys`)
      },
    })
  }
  return (
    <FormDialog
      title={t('Ask them there')}
      about={t('One question at the step “{{name}}”. It ends by itself.', { name: step.name })}
      yes={t('Ask it')}
      sending={t('Sending …')}
      send={ask}
      ready={question !== null}
      onSubmit={(event) => {
        event.preventDefault()
        send()
      }}
      onClose={onClose}
    >
      <QuestionFields draft={draft} change={change} />
      <RuleFields {...{ rules, left }} change={rule} />
    </FormDialog>
  )
}

function RuleFields({ rules, left, change }: { rules: Rules; left: number; change: (more: Partial<Rules>) => void }) {
  const { t } = useTexts()
  return (
    <>
      <Radios
        label={t('Who is asked')}
        value={rules.when}
        onChange={(when) => change({ when })}
        options={[
          { value: 'come', words: t('Whoever comes to the step from now on') },
          { value: 'leave', words: t('Whoever leaves there without finishing, as they go') },
        ]}
      />
      <NumberField
        label={t('It ends after so many answers')}
        value={rules.most}
        min={rules.anonymous ? LEAST_SHOWN : 1}
        max={1_000}
        whole
        small
        onChange={(most) => change({ most })}
      />
      {left > 0 && (
        <Check
          label={t('Also tell those who left there in the visits of this list, in their inboxes')}
          checked={rules.tell}
          onChange={(event) => change({ tell: event.target.checked })}
        />
      )}
      <Check
        label={t('Anonymous: who answers is not stored')}
        checked={rules.anonymous}
        onChange={(event) =>
          change({ anonymous: event.target.checked, ...(event.target.checked ? { most: Math.max(rules.most, LEAST_SHOWN) } : {}) })
        }
      />
    </>
  )
}
