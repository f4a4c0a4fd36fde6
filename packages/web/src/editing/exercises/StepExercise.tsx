import { Button, IconButton, Select, TextArea, TextField, Tickbox, chosen } from '../../ui'
import {
  elementOf,
  type Accept,
  type Exercise,
  type PictureSizes,
  type PopUpButton,
  type Step,
  type StepElement,
  type Task,
} from '@jackdaw/core/guides'
import type { PictureId } from '@jackdaw/core/shared'
import { setElement } from '@jackdaw/core/editing'
import { nanoid } from 'nanoid'
import { Trash2, X } from 'lucide-react'
import { useTexts } from '../../ui/words/texts'
import type { ItemActions } from '../itemActions'
import { AcceptFields, LinesField } from './AcceptFields'
import { SpotsField } from './SpotsField'

const ENTERS = ['type', 'choose', 'set']

/** The exercise without what says nothing; `null` when nothing is left. */
function bare(exercise: Exercise): Exercise | null {
  const kept = Object.entries(exercise).filter(
    ([, value]) => value !== undefined && value !== '' && !(Array.isArray(value) && value.length === 0),
  )
  return kept.length === 0 ? null : Object.fromEntries(kept)
}

const FRESH: Record<Task['kind'], () => Task> = {
  explain: () => ({ kind: 'explain' }),
  click: () => ({ kind: 'click' }),
  field: () => ({ kind: 'field' }),
  several: () => ({ kind: 'several', elements: [] }),
  'pop-up': () => ({ kind: 'pop-up', title: '', words: '', buttons: [{ id: nanoid(), words: 'OK', right: true }] }),
}

type ExerciseProps = {
  step: Step
  number: number
  sizes: PictureSizes
  source: (id: PictureId) => string
  actions: ItemActions
  onClose: () => void
}
type Put = (next: Partial<Exercise>) => void

/** How a step is practised and tested: what is done, which entries are right, the hint, what Solo says. */
export function StepExercise(props: ExerciseProps) {
  const { step, number, actions, onClose } = props
  const { t } = useTexts()
  const exercise = step.exercise ?? {}
  const { task } = exercise
  const put: Put = (next) => actions.change({ type: 'set-step', stepId: step.id, fields: { exercise: bare({ ...exercise, ...next }) } })
  const setTask = (next: Task | undefined) => {
    const { task: _, ...rest } = exercise
    actions.change({ type: 'set-step', stepId: step.id, fields: { exercise: bare(next ? { ...rest, task: next } : rest) } })
  }
  const enters = task ? task.kind === 'field' : step.action !== undefined && ENTERS.includes(step.action.verb)
  return (
    <section
      className="border-l-2 border-petrol pl-3 py-1 mt-3 space-y-3 scroll-mt-36 scroll-mb-16"
      data-panel
      aria-label={t('Practise and Solo, step {{n}}', { n: number })}
      data-keeps-editor
    >
      <div className="flex items-center">
        <h3 className="grow font-semibold">{t('Practise and Solo')}</h3>
        <IconButton name={t('Close')} onClick={onClose}>
          <X size={16} aria-hidden />
        </IconButton>
      </div>
      <p className="text-sm text-soft">
        {t('What somebody does at this step when they practise or are tested, and what counts as right.')}
      </p>
      <TaskFields {...props} task={task} onTask={setTask} />
      {enters && <EntryFields {...{ step, exercise, put }} />}
      <TextField
        label={t('Hint in Practise')}
        hint={t('Comes with the first hint. Without it, the name of the element is told.')}
        value={exercise.hint ?? ''}
        maxLength={500}
        onChange={(event) => put({ hint: event.target.value })}
      />
      <TextArea
        label={t('What Solo says at this step')}
        hint={t('The text of the step does not appear in Solo.')}
        rows={2}
        value={exercise.soloWords ?? ''}
        maxLength={1_000}
        onChange={(event) => put({ soloWords: event.target.value })}
      />
    </section>
  )
}

/** What is done at the step, and on which elements. */
function TaskFields({
  step,
  sizes,
  source,
  actions,
  task,
  onTask,
}: ExerciseProps & { task: Task | undefined; onTask: (task: Task | undefined) => void }) {
  const { t } = useTexts()
  const element = elementOf(step)
  const setOne = (next: StepElement | undefined) => {
    if (next) actions.change({ type: 'set-step', stepId: step.id, fields: { element: next } })
    else actions.change(...setElement(step, null))
  }
  return (
    <>
      <Select
        label={t('What is done here')}
        value={task?.kind ?? ''}
        onChange={chosen((kind: Task['kind'] | '') => onTask(kind === '' ? undefined : FRESH[kind]()))}
      >
        <option value="">{step.action ? t('As recorded') : t('It is read')}</option>
        {step.action && <option value="explain">{t('It is only read')}</option>}
        <option value="click">{t('An element is selected')}</option>
        <option value="field">{t('Something is entered in a field')}</option>
        <option value="several">{t('Several elements, in any order')}</option>
        <option value="pop-up">{t('A window of the application is answered')}</option>
      </Select>
      {(task?.kind === 'click' || task?.kind === 'field') && !step.action && (
        <SpotsField {...{ step, sizes, source }} most={1} elements={element ? [element] : []} onChange={([next]) => setOne(next)} />
      )}
      {task?.kind === 'several' && (
        <SpotsField
          {...{ step, sizes, source }}
          most={20}
          elements={task.elements.map((each) => each.element)}
          onChange={(next) =>
            onTask({ ...task, elements: next.map((each, n) => ({ id: task.elements[n]?.id ?? nanoid(), element: each })) })
          }
        />
      )}
      {task?.kind === 'pop-up' && <PopUpFields task={task} onChange={onTask} />}
    </>
  )
}

/** Which entry is taken as right, and what the application says to others. */
function EntryFields({ step, exercise, put }: { step: Step; exercise: Exercise; put: Put }) {
  const { t } = useTexts()
  const recorded: Accept = { how: 'same', value: step.action?.value ?? '' }
  return (
    <>
      <AcceptFields label={t('What is taken as right')} accept={exercise.accept ?? recorded} onChange={(accept) => put({ accept })} />
      <TextField
        label={t('What the application says to another entry')}
        value={exercise.message ?? ''}
        maxLength={500}
        onChange={(event) => put({ message: event.target.value })}
      />
      <LinesField
        label={t('Other entries of the list, one a line')}
        hint={t('With these, the entry is chosen from a list.')}
        lines={exercise.options ?? []}
        onChange={(options) => put({ options })}
      />
    </>
  )
}

function PopUpFields({ task, onChange }: { task: Extract<Task, { kind: 'pop-up' }>; onChange: (task: Task) => void }) {
  const { t } = useTexts()
  const put = (n: number, next: Partial<PopUpButton>) =>
    onChange({ ...task, buttons: task.buttons.map((each, k) => (k === n ? { ...each, ...next } : each)) })
  return (
    <div className="space-y-2">
      <TextField
        label={t('Title of the window')}
        value={task.title}
        maxLength={200}
        onChange={(event) => onChange({ ...task, title: event.target.value })}
      />
      <TextArea
        label={t('What it says')}
        rows={2}
        value={task.words}
        maxLength={1_000}
        onChange={(event) => onChange({ ...task, words: event.target.value })}
      />
      <fieldset>
        <legend className="text-sm font-semibold mb-1">{t('Its buttons; which are right?')}</legend>
        {task.buttons.map((button, n) => (
          <div key={button.id} className="flex items-center gap-2 mb-1">
            <Tickbox
              aria-label={t('Button {{n}} is right', { n: n + 1 })}
              checked={button.right}
              onChange={(event) => put(n, { right: event.target.checked })}
            />
            <input
              value={button.words}
              maxLength={80}
              aria-label={t('Words of button {{n}}', { n: n + 1 })}
              className="grow min-h-9 border border-edge px-2 bg-sheet"
              onChange={(event) => put(n, { words: event.target.value })}
            />
            <IconButton
              name={t('Remove button {{n}}', { n: n + 1 })}
              disabled={task.buttons.length === 1}
              onClick={() => onChange({ ...task, buttons: task.buttons.filter((_, k) => k !== n) })}
            >
              <Trash2 size={16} aria-hidden />
            </IconButton>
          </div>
        ))}
        {task.buttons.length < 6 && (
          <Button
            className="text-sm"
            onClick={() => onChange({ ...task, buttons: [...task.buttons, { id: nanoid(), words: '', right: false }] })}
          >
            {t('Add a button')}
          </Button>
        )}
      </fieldset>
    </div>
  )
}
