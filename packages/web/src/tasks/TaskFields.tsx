import { TASK_LIMITS, TaskDocument, type Confirmer, type Evidence } from '@jackdaw/core/tasks'
import type { GroupId } from '@jackdaw/core/shared'
import { useGroups } from '../people'
import { chosen, NumberField, Radios, Select, TextArea, TextField } from '../ui'
import { useTexts } from '../ui/words/texts'

/** What is wrong with a task, by the place: words to be said in the reader's language. */
export type Faults = ReadonlyMap<string, string>
export const faultsOf = (document: TaskDocument): Faults =>
  new Map((TaskDocument.safeParse(document).error?.issues ?? []).map((issue) => [issue.path.join('.'), issue.message]))

/** What a task says. */
export function TaskFields({
  document,
  faults,
  onChange,
}: {
  document: TaskDocument
  faults: Faults
  onChange: (document: TaskDocument) => void
}) {
  const { t } = useTexts()
  const set = (more: Partial<TaskDocument>) => onChange({ ...document, ...more })
  const wrong = (path: string) => (faults.has(path) ? t(faults.get(path)!) : undefined)
  return (
    <>
      <div className="space-y-4">
        <TextField
          label={t('Title')}
          hint={t('What is to be done: “Walk the fire route”.')}
          maxLength={TASK_LIMITS.title}
          value={document.title}
          error={wrong('title')}
          onChange={(event) => set({ title: event.target.value })}
        />
        <TextArea
          label={t('How it is done')}
          hint={t('An empty line begins a new paragraph.')}
          rows={7}
          maxLength={TASK_LIMITS.words}
          value={document.words}
          error={wrong('words')}
          onChange={(event) => set({ words: event.target.value })}
        />
        <div className="w-44">
          <NumberField
            label={t('Time it takes, in minutes')}
            whole
            min={1}
            max={TASK_LIMITS.minutes}
            value={document.minutes}
            onChange={(minutes) => minutes !== null && set({ minutes })}
          />
        </div>
      </div>
      <ConfirmerField confirmer={document.confirmer} error={wrong('confirmer.roleId')} onChange={(confirmer) => set({ confirmer })} />
      <Radios<Evidence>
        label={t('What they hand in')}
        value={document.evidence}
        onChange={(evidence) => set({ evidence })}
        options={[
          { value: 'none', words: t('That they have done it') },
          { value: 'words', words: t('Some words on it'), hint: t('What they saw, measured or decided.') },
          { value: 'photo', words: t('A photo'), hint: t('With words, if they like.') },
        ]}
      />
    </>
  )
}

function ConfirmerField({
  confirmer,
  error,
  onChange,
}: {
  confirmer: Confirmer
  error: string | undefined
  onChange: (confirmer: Confirmer) => void
}) {
  const { t } = useTexts()
  const roles = (useGroups().data ?? []).filter((group) => group.kind === 'role')
  const [first] = roles
  return (
    <Radios<Confirmer['by']>
      label={t('Who confirms it')}
      value={confirmer.by}
      onChange={(by) => {
        if (by !== 'role') onChange({ by })
        else if (first) onChange({ by, roleId: first.id })
      }}
      options={[
        {
          value: 'manager',
          words: t('Whoever they report to'),
          hint: t('While that one is away, the next above.'),
        },
        {
          value: 'mentor',
          words: t('Their mentor in the plan'),
          hint: t('Without one, or while they are away, whoever they report to.'),
        },
        {
          value: 'role',
          words: t('Somebody with a role'),
          hint: t('At the same site where there is one, else at any.'),
          disabled: !first,
          more: confirmer.by === 'role' && (
            <Select
              label={t('Role')}
              value={confirmer.roleId}
              error={error}
              onChange={chosen<GroupId>((roleId) => onChange({ by: 'role', roleId }))}
            >
              {roles.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
              {!roles.some(({ id }) => id === confirmer.roleId) && <option value={confirmer.roleId}>{t('a role that is closed')}</option>}
            </Select>
          ),
        },
      ]}
    />
  )
}
