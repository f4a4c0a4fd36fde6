import type { NamedStep } from '@jackdaw/contracts/quizzes'
import { Difficulty, QUIZ_LIMITS, type Question, type TestedStep } from '@jackdaw/core/quizzes'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { chosen, NumberField, Select, TextField } from '../../ui'
import { PickMany } from '../../ui/fields/PickMany'
import { useTexts } from '../../ui/words/texts'
import { difficultyName } from '../../quizzes/kindNames'
import { useSuggestions } from '../../library/useSuggestions'

/** `tested`: the steps that questions name here, as far as they are there. */
type Props = { question: Question; tested: readonly NamedStep[]; onChange: (question: Question) => void }

/** What a question counts, how hard it is, by which words it is found, and which steps it tests. */
export function QuestionFacts({ question, tested, onChange }: Props) {
  const { t } = useTexts()
  return (
    <div className="space-y-4">
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label={t('Points')}
          whole
          min={1}
          max={QUIZ_LIMITS.points}
          value={question.points}
          onChange={(points) => onChange({ ...question, points })}
        />
        <Select
          label={t('Difficulty')}
          value={question.difficulty}
          onChange={chosen<Difficulty>((difficulty) => onChange({ ...question, difficulty }))}
        >
          {Difficulty.options.map((each) => (
            <option key={each} value={each}>
              {difficultyName(t, each)}
            </option>
          ))}
        </Select>
      </div>
      <TagsField key={question.id} {...{ question, onChange }} />
      <StepsField {...{ question, tested, onChange }} />
    </div>
  )
}

/** Tags, as words with commas between them. */
function TagsField({ question, onChange }: Omit<Props, 'tested'>) {
  const { t } = useTexts()
  const [typed, setTyped] = useState<string | null>(null)
  const take = (words: string) => {
    const tags = [...new Set(words.split(',').map((each) => each.replace(/\s+/g, ' ').trim().slice(0, QUIZ_LIMITS.tag)))].filter(Boolean)
    onChange({ ...question, tags: tags.slice(0, QUIZ_LIMITS.tags) })
  }
  return (
    <TextField
      label={t('Tags')}
      hint={t('With commas between them. A quiz can draw from those with a tag.')}
      value={typed ?? question.tags.join(', ')}
      onChange={(event) => {
        setTyped(event.target.value)
        take(event.target.value)
      }}
      onBlur={() => setTyped(null)}
    />
  )
}

/** A step and where it stands, in one word for lists. */
const wordOf = ({ guideId, stepId }: TestedStep): string => `${guideId} ${stepId}`
const stepOf = (word: string): TestedStep => {
  const [guideId, stepId] = word.split(' ')
  return { guideId: guideId as GuideId, stepId: stepId as StepId }
}
/** Steps of published guides that fit what is typed. */
function useFoundSteps(find: string) {
  const { t } = useTexts()
  const { steps, state } = useSuggestions(find)
  const found = steps.map(({ guideId, stepId, title, name, position }) => ({
    ...{ id: wordOf({ guideId, stepId }), words: name, about: t('Step {{n}} of {{title}}', { n: position, title }) },
  }))
  return { found, state }
}

/** The steps of guides that a question tests: to these somebody is led who has missed it. */
function StepsField({ question, tested, onChange }: Props) {
  const { t } = useTexts()
  const [added, setAdded] = useState<ReadonlyMap<string, string>>(new Map())
  const nameOf = (id: string) => added.get(id) ?? tested.find((each) => wordOf(each) === id)?.name ?? t('a step that is gone')
  return (
    <PickMany
      label={t('Tests these steps')}
      placeholder={t('Find a step by its words')}
      most={8}
      chosen={question.steps.map(wordOf).map((id) => ({ id, words: nameOf(id) }))}
      useFound={useFoundSteps}
      onAdd={({ id, words }) => {
        if (question.steps.length >= QUIZ_LIMITS.steps) return
        setAdded(new Map([...added, [id, words]]))
        onChange({ ...question, steps: [...question.steps, stepOf(id)] })
      }}
      onRemove={(id) => onChange({ ...question, steps: question.steps.filter((each) => wordOf(each) !== id) })}
    />
  )
}
