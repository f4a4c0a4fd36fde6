import type { PersonRef } from '@jackdaw/contracts/people'
import { QUIZ_LIMITS, TELL_WHEN, TOLD_AFTER, type QuizDocument, type TellWhen, type ToldAfter } from '@jackdaw/core/quizzes'
import { useState, type ReactNode } from 'react'
import { PersonPicker } from '../../people/PersonPicker'
import { Check, chosen, NumberField, Radios, Select, TextArea, TextField } from '../../ui'
import { useTexts, type Texts } from '../../ui/words/texts'

type Props = { document: QuizDocument; onChange: (document: QuizDocument) => void }

/** What holds for a quiz as a whole. @param named names of those who are told of results, and of those who judge replies */
export function QuizRules({ document, named, onChange }: Props & { named: readonly PersonRef[] }) {
  const { t } = useTexts()
  const set = (more: Partial<QuizDocument>) => onChange({ ...document, ...more })
  return (
    <div className="space-y-8 max-w-2xl">
      <Group name={t('About the quiz')}>
        <TextField
          label={t('Title')}
          maxLength={QUIZ_LIMITS.title}
          value={document.title}
          error={document.title.trim() === '' ? t('Give it a title') : undefined}
          onChange={(event) => set({ title: event.target.value })}
        />
        <TextArea
          label={t('What stands before it begins')}
          hint={t('An empty line begins a new paragraph.')}
          rows={3}
          maxLength={QUIZ_LIMITS.words}
          value={document.words}
          onChange={(event) => set({ words: event.target.value })}
        />
      </Group>
      <Group name={t('Passing')}>
        <Passing {...{ document, set }} />
      </Group>
      <Group name={t('Time')}>
        <Times {...{ document, set }} />
      </Group>
      <Group name={t('Order')}>
        <Check
          label={t('Shuffle the questions')}
          checked={document.questionOrder === 'shuffled'}
          onChange={(event) => set({ questionOrder: event.target.checked ? 'shuffled' : 'fixed' })}
        />
        <Check
          label={t('Shuffle the answers')}
          checked={document.answerOrder === 'shuffled'}
          onChange={(event) => set({ answerOrder: event.target.checked ? 'shuffled' : 'fixed' })}
        />
      </Group>
      <Group name={t('Afterwards')}>
        <Afterwards {...{ document, set }} />
      </Group>
      <Group name={t('Who is told of results')}>
        <Telling {...{ document, named, set }} />
      </Group>
      <Group name={t('Who judges replies')}>
        <Judging {...{ document, named, set }} />
      </Group>
    </div>
  )
}

function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section className="space-y-4">
      <h2 className="text-lg border-b-2 border-ink">{name}</h2>
      {children}
    </section>
  )
}

type Setting = { document: QuizDocument; set: (more: Partial<QuizDocument>) => void }

function Passing({ document: { passMark, attempts, waitMinutes }, set }: Setting) {
  const { t } = useTexts()
  return (
    <>
      <div className="w-44">
        <NumberField
          label={t('Pass mark')}
          unit="%"
          whole
          min={1}
          max={100}
          value={passMark}
          onChange={(next) => set({ passMark: next })}
        />
      </div>
      <Radios<'any' | 'some'>
        label={t('Attempts')}
        value={attempts === null ? 'any' : 'some'}
        onChange={(which) => set({ attempts: which === 'any' ? null : 3 })}
        options={[
          { value: 'any', words: t('As many as they like') },
          {
            value: 'some',
            words: t('A limited number'),
            more: attempts !== null && (
              <div className="w-44">
                <NumberField
                  label={t('How many')}
                  whole
                  min={1}
                  max={QUIZ_LIMITS.attempts}
                  value={attempts}
                  onChange={(next) => set({ attempts: next })}
                />
              </div>
            ),
          },
        ]}
      />
      <div className="w-56">
        <NumberField
          label={t('Wait before the next attempt')}
          unit={t('min')}
          whole
          min={0}
          max={QUIZ_LIMITS.wait}
          value={waitMinutes}
          onChange={(next) => set({ waitMinutes: next })}
        />
      </div>
    </>
  )
}

function Times({ document: { timeLimitMinutes, opensAt, closesAt }, set }: Setting) {
  const { t } = useTexts()
  return (
    <>
      <Check
        label={t('There is a time limit')}
        hint={t('When it is over, what is answered is handed in. Somebody who needs more time gets it in their records.')}
        checked={timeLimitMinutes !== null}
        onChange={(event) => set({ timeLimitMinutes: event.target.checked ? 20 : null })}
      />
      {timeLimitMinutes !== null && (
        <div className="w-44 pl-[26px]">
          <NumberField
            label={t('Time limit')}
            unit={t('min')}
            whole
            min={1}
            max={QUIZ_LIMITS.timeLimit}
            value={timeLimitMinutes}
            onChange={(next) => set({ timeLimitMinutes: next })}
          />
        </div>
      )}
      <div className="flex flex-wrap gap-4">
        <MomentField label={t('Open from')} value={opensAt} onChange={(next) => set({ opensAt: next })} />
        <MomentField
          label={t('Open until')}
          value={closesAt}
          error={opensAt !== null && closesAt !== null && opensAt >= closesAt ? t('It closes before it opens') : undefined}
          onChange={(next) => set({ closesAt: next })}
        />
      </div>
    </>
  )
}

/** An instant as a field for a day and time takes it, in this browser's zone. */
const momentIn = (at: number): string => new Date(at - new Date(at).getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
/** A day and time of this browser's zone, or none. */
function MomentField({
  label,
  value,
  error,
  onChange,
}: {
  label: string
  value: number | null
  error?: string | undefined
  onChange: (value: number | null) => void
}) {
  const [typed, setTyped] = useState<string | null>(null)
  return (
    <TextField
      label={label}
      type="datetime-local"
      error={error}
      value={typed ?? (value === null ? '' : momentIn(value))}
      onChange={(event) => {
        const at = event.target.value === '' ? null : new Date(event.target.value).getTime()
        setTyped(event.target.value)
        if (at === null || (Number.isFinite(at) && at > 0)) onChange(at)
      }}
      onBlur={() => setTyped(null)}
    />
  )
}

const toldWords = (t: Texts['t']): Record<ToldAfter, string> => ({
  nothing: t('Only whether they have passed'),
  count: t('How many were right'),
  which: t('Which ones were right'),
  explained: t('Which ones, with what is right and why'),
})
function Afterwards({ document, set }: Setting) {
  const { t } = useTexts()
  const words = toldWords(t)
  const field = (name: 'afterFailing' | 'afterPassing', label: string) => (
    <Select label={label} value={document[name]} onChange={chosen<ToldAfter>((next) => set({ [name]: next }))}>
      {TOLD_AFTER.map((each) => (
        <option key={each} value={each}>
          {words[each]}
        </option>
      ))}
    </Select>
  )
  return (
    <>
      {field('afterFailing', t('Whoever has not passed is told'))}
      {field('afterPassing', t('Whoever has passed is told'))}
      <p className="text-sm text-soft">
        {t('As soon as they may know something, they are led to the steps behind the questions that they missed.')}
      </p>
    </>
  )
}

const whenWords = (t: Texts['t']): Record<TellWhen, string> => ({
  every: t('every result'),
  failures: t('failures only'),
  'third-failure': t('the third failure'),
})
function Telling({ document: { tell }, named, set }: Setting & { named: readonly PersonRef[] }) {
  const { t } = useTexts()
  const { nameOf, add } = useNames(named)
  const words = whenWords(t)
  return (
    <>
      <PersonPicker
        label={t('People')}
        chosen={tell.map(({ personId }) => ({ id: personId, name: nameOf(personId) }))}
        onChange={(people) => {
          add(people)
          const before = new Map(tell.map((each) => [each.personId, each]))
          set({ tell: people.slice(0, 20).map(({ id }) => before.get(id) ?? { personId: id, when: 'failures' as const }) })
        }}
      />
      {tell.map(({ personId, when }, n) => (
        <div key={personId} className="max-w-xs">
          <Select
            label={t('{{name}} is told of', { name: nameOf(personId) })}
            value={when}
            onChange={chosen<TellWhen>((next) => set({ tell: tell.map((each, at) => (at === n ? { ...each, when: next } : each)) }))}
          >
            {TELL_WHEN.map((each) => (
              <option key={each} value={each}>
                {words[each]}
              </option>
            ))}
          </Select>
        </div>
      ))}
    </>
  )
}

/** The names of people who are named already, and of those who come in addition. */
function useNames(named: readonly PersonRef[]) {
  const { t } = useTexts()
  const [added, setAdded] = useState<readonly PersonRef[]>([])
  const nameOf = (id: string): string => [...added, ...named].find((each) => each.id === id)?.name ?? t('somebody who has left')
  return { nameOf, add: (people: readonly PersonRef[]) => setAdded([...added, ...people]) }
}

function Judging({ document: { graders }, named, set }: Setting & { named: readonly PersonRef[] }) {
  const { t } = useTexts()
  const { nameOf, add } = useNames(named)
  const { people, two, third } = graders
  const put = (more: Partial<QuizDocument['graders']>) => set({ graders: { ...graders, ...more } })
  const pick = (label: string, chosen: typeof people, most: number, onChange: (ids: typeof people) => void) => (
    <PersonPicker
      label={label}
      chosen={chosen.map((id) => ({ id, name: nameOf(id) }))}
      onChange={(next) => {
        add(next)
        onChange(next.slice(-most).map(({ id }) => id))
      }}
    />
  )
  return (
    <>
      <p className="text-sm text-soft">{t('Needed where a question asks for a reply that no rule can mark.')}</p>
      {pick(t('They judge replies'), people, 20, (next) => put({ people: next }))}
      <Check
        label={t('Two judge each reply')}
        hint={t('Neither sees what the other one gives. Where they lie more than a tenth of the points apart, a third settles it.')}
        checked={two}
        onChange={(event) => put({ two: event.target.checked })}
      />
      {two &&
        pick(t('Who settles it (else any other of them)'), third === null ? [] : [third], 1, (next) => put({ third: next[0] ?? null }))}
    </>
  )
}
